import * as z from 'zod/mini';

const positive = z.number().check(z.gt(0), z.lte(100_000));

/** One end of a scale: the viewport width for which it is defined, its body size (px) and the ratio of its steps. */
const endSchema = z.strictObject({
	width: positive,
	body: positive,
	ratio: z.number().check(z.gt(1), z.lte(10))
});

const stepNumber = z.int().check(z.gte(-20), z.lte(20));

/** A fluid type scale, as stored with a site. Sizes are px, widths CSS px of the viewport. */
export const scaleSchema = z.strictObject({
	narrow: endSchema,
	wide: endSchema,
	/** The number of steps above body size, and below it. */
	up: z.int().check(z.gte(0), z.lte(12)),
	down: z.int().check(z.gte(0), z.lte(6)),
	/** Sizes at the ends are rounded to multiples of so many px; 0 for no rounding. */
	round: z.number().check(z.gte(0), z.lte(16)),
	/** Sizes of single steps at an end that differ from the scale's. */
	own: z
		.array(z.strictObject({ step: stepNumber, end: z.enum(['narrow', 'wide']), size: positive }))
		.check(z.maxLength(82)),
	/** The names of steps, and the elements and classes that have them. */
	roles: z
		.array(
			z.strictObject({
				step: stepNumber,
				name: z.string().check(z.minLength(1), z.maxLength(60)),
				/** Selectors of elements, such as `h1`; none where only the custom property or class is wanted. */
				selectors: z.array(z.string().check(z.maxLength(200))).check(z.maxLength(20))
			})
		)
		.check(z.maxLength(40)),
	output: z.strictObject({
		properties: z.boolean(),
		rules: z.boolean(),
		classes: z.boolean(),
		/** How custom properties and classes are named; `NAME` stands for the role's name. */
		property: z.string().check(z.maxLength(60)),
		class: z.string().check(z.maxLength(60)),
		unit: z.enum(['vw', 'vi', 'cqi']),
		ends: z.enum(['rem', 'px']),
		/** Whether a line for engines without `clamp()` comes first. */
		fallback: z.boolean()
	}),
	/** The weight and line height of a group of roles. */
	groups: z
		.array(
			z.strictObject({
				roles: z.array(z.string()).check(z.maxLength(40)),
				weight: z.string().check(z.maxLength(40)),
				/** Line height as a multiple of the size at its narrow and wide end; 0 for none. */
				line: z.tuple([z.number().check(z.gte(0), z.lte(4)), z.number().check(z.gte(0), z.lte(4))])
			})
		)
		.check(z.maxLength(20)),
	/** Spaces: multiples of body size that get custom properties of their own. */
	spaces: z
		.array(z.strictObject({ name: z.string().check(z.minLength(1), z.maxLength(60)), times: positive }))
		.check(z.maxLength(20))
});

export type Scale = z.infer<typeof scaleSchema>;
export type End = 'narrow' | 'wide';

/** A step of a scale, from the largest down: its sizes at both ends, px. */
export interface Step {
	readonly step: number;
	readonly narrow: number;
	readonly wide: number;
	/** The ends at which it has a size of its own. */
	readonly own: readonly End[];
	/** The size by the scale itself. */
	readonly scaled: Readonly<Record<End, number>>;
	readonly role: Scale['roles'][number] | undefined;
}

/** The scale of a new site, with figures still to be set. */
export const NEW_SCALE: Scale = {
	narrow: { width: 400, body: 16, ratio: 6 / 5 },
	wide: { width: 1300, body: 18, ratio: 4 / 3 },
	up: 4,
	down: 1,
	round: 0,
	own: [],
	roles: [
		{ step: 4, name: 'title', selectors: ['h1'] },
		{ step: 3, name: 'heading', selectors: ['h2'] },
		{ step: 2, name: 'subhead', selectors: ['h3'] },
		{ step: 1, name: 'opening', selectors: [] },
		{ step: 0, name: 'body', selectors: ['body'] },
		{ step: -1, name: 'small', selectors: ['small'] }
	],
	output: {
		properties: true,
		rules: true,
		classes: false,
		property: '--size-NAME',
		class: 'size-NAME',
		unit: 'vw',
		ends: 'rem',
		fallback: false
	},
	groups: [],
	spaces: []
};

const rounded = (size: number, to: number): number => (to > 0 ? Math.round(size / to) * to : size);

/** The steps of a scale from the largest down; `own` sizes replace computed ones. */
export function stepsOf(scale: Scale): Step[] {
	const count = scale.up + scale.down + 1;
	return Array.from({ length: count }, (_, i): Step => {
		const step = scale.up - i;
		const scaledAt = (end: End): number => rounded(scale[end].body * scale[end].ratio ** step, scale.round);
		const scaled = { narrow: scaledAt('narrow'), wide: scaledAt('wide') };
		const ownAt = (end: End): number | undefined =>
			scale.own.find((one) => one.step === step && one.end === end)?.size;
		const ends = ['narrow', 'wide'] as const;
		return {
			step,
			narrow: ownAt('narrow') ?? scaled.narrow,
			wide: ownAt('wide') ?? scaled.wide,
			own: ends.filter((end) => ownAt(end) !== undefined),
			scaled,
			role: scale.roles.find((one) => one.step === step)
		};
	});
}

/** The steps that have roles, from the largest. */
export const namedSteps = (scale: Scale) =>
	stepsOf(scale).flatMap((one) => (one.role ? [{ ...one, role: one.role }] : []));

/** Sets a step's own size at an end, or restores the scale's. */
export function withOwn(scale: Scale, step: number, end: End, size: number | null): Scale {
	const others = scale.own.filter((one) => one.step !== step || one.end !== end);
	return { ...scale, own: size === null ? others : [...others, { step, end, size }] };
}

/** The ratio with which a step has a size at an end, keeping the body size; undefined for body size itself. */
export function ratioThrough(scale: Scale, step: number, end: End, size: number): number | undefined {
	if (step === 0) return undefined;
	const ratio = (size / scale[end].body) ** (1 / step);
	return Number.isFinite(ratio) && ratio > 1 ? ratio : undefined;
}

/** A name in the form that custom properties and classes allow. */
export const nameBy = (pattern: string, name: string): string =>
	pattern.replace(
		'NAME',
		name
			.trim()
			.toLowerCase()
			.replace(/[^\p{L}\p{N}_-]+/gu, '-')
	);

/** What is wrong with a scale, one sentence each, with the field concerned. */
export function scaleProblems(scale: Scale): { readonly field: string; readonly sentence: string }[] {
	const found: { field: string; sentence: string }[] = [];
	const say = (field: string, sentence: string): void => void found.push({ field, sentence });
	const called = { narrow: 'narrow end', wide: 'wide end' } as const;
	for (const end of ['narrow', 'wide'] as const) {
		const { width, body, ratio } = scale[end];
		if (!(width > 0)) say(`${end}.width`, `The ${called[end]} wants a width above 0 px.`);
		if (!(body > 0)) say(`${end}.body`, `The body size at the ${called[end]} has to be above 0 px.`);
		if (!(ratio > 1))
			say(
				`${end}.ratio`,
				`A ratio of ${Number(ratio.toFixed(3))} makes no step larger: it has to be above 1.`
			);
	}
	if (scale.narrow.width === scale.wide.width)
		say('wide.width', `Both ends are at ${scale.wide.width} px: there is no width between to grow over.`);
	if (scale.narrow.width > scale.wide.width)
		say(
			'narrow.width',
			`The narrow end (${scale.narrow.width} px) lies above the wide one (${scale.wide.width} px): exchange them.`
		);
	if (scale.up > 12) say('up', `${scale.up} steps above body size are more than the 12 that are told apart.`);
	if (scale.down > 6)
		say('down', `${scale.down} steps below body size are more than the 6 that are told apart.`);
	for (const { step, end, size } of scale.own)
		if (!(size > 0)) say(`own.${end}.${step}`, `A size has to be above 0 px, and ${size} is not.`);
	const names = new Map<string, number>();
	for (const { name, step } of scale.roles) {
		const key = name.trim().toLowerCase();
		if (key === '') say(`role.${step}`, 'A step that is to be written wants a name.');
		else if (names.has(key)) say(`role.${step}`, `Two steps are called “${name.trim()}”.`);
		names.set(key, step);
	}
	const { property, class: classes, properties, rules } = scale.output;
	if ((properties || rules) && !property.includes('NAME'))
		say(
			'output.property',
			`The names of custom properties want NAME in their pattern: “${property}” has none.`
		);
	if (scale.output.classes && !classes.includes('NAME'))
		say('output.class', `The names of classes want NAME in their pattern: “${classes}” has none.`);
	return found;
}
