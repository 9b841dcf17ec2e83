import { done, messageOf, refuse, type Result } from '../text/index.ts';
import { misfit } from '../json/index.ts';
import { curveOfText, lineOver, line, over, valueOn, jointsOf } from '../length/index.ts';
import { rational, rationalFromNumber, toNumber } from '../interval/index.ts';
import { fluidText, type Writing } from './fluid.ts';
import type { Sized } from './recognise.ts';
import { nameBy, namedSteps, scaleSchema, type Scale } from './scale.ts';

/** The content of a file of sizes: a whole scale, or sizes at two widths. */
export type ReadSizes = Result<
	| { readonly kind: 'scale'; readonly scale: Scale }
	| {
			readonly kind: 'sizes';
			readonly sizes: readonly Sized[];
			readonly widths: { readonly narrow: number; readonly wide: number } | null;
	  }
>;

/** Where our own fields are in a file of design tokens. */
const OWN = 'vantaggio.scale';

const figure = (px: number): number => Number(px.toFixed(4));

/** The notation that a scale's output asks for, with so many px per rem. */
export const writingOf = ({ output: { unit, ends } }: Scale, root: number): Writing => ({ unit, ends, root });

/** The text of a step's size. */
export const stepText = (
	scale: Scale,
	step: { readonly narrow: number; readonly wide: number },
	root: number
) =>
	fluidText(
		{
			from: { width: scale.narrow.width, size: step.narrow },
			to: { width: scale.wide.width, size: step.wide }
		},
		writingOf(scale, root)
	);

/**
 * A scale as design tokens (Design Tokens Community Group, format of 2025.10: dimensions with value and unit): a
 * group for each end, a token for each step; the scale itself is among the file's extensions.
 */
export function toTokens(scale: Scale): string {
	const group = (end: 'narrow' | 'wide') => ({
		$type: 'dimension',
		$description: `Sizes at ${scale[end].width} px of viewport width.`,
		...Object.fromEntries(
			namedSteps(scale).map(({ role, ...step }) => [
				nameBy('NAME', role.name),
				{ $value: { value: figure(step[end]), unit: 'px' } }
			])
		)
	});
	const tokens = { narrow: group('narrow'), wide: group('wide'), $extensions: { [OWN]: scale } };
	return `${JSON.stringify(tokens, null, '\t')}\n`;
}

/** A scale as custom properties. */
export const toProperties = (scale: Scale, root: number): string =>
	`:root {\n${namedSteps(scale)
		.map((one) => `\t${nameBy(scale.output.property, one.role.name)}: ${stepText(scale, one, root)};\n`)
		.join('')}}\n`;

/** A scale as comma-separated values (RFC 4180): one line per step, sizes in px. */
export const toTable = (scale: Scale): string =>
	[
		`name,step,${scale.narrow.width} px,${scale.wide.width} px`,
		...namedSteps(scale).map(
			({ role, step, narrow, wide }) => `${quoted(role.name)},${step},${figure(narrow)},${figure(wide)}`
		)
	].join('\r\n') + '\r\n';

const quoted = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

/** The px of a token's dimension; undefined for another value. */
function pxOfToken(value: unknown, root: number): number | undefined {
	if (typeof value === 'string') {
		const [, number, unit] = /^([\d.]+)(px|rem)$/.exec(value.trim()) ?? [];
		return number === undefined ? undefined : Number(number) * (unit === 'rem' ? root : 1);
	}
	if (typeof value !== 'object' || value === null) return undefined;
	const { value: number, unit } = value as { value?: unknown; unit?: unknown };
	if (typeof number !== 'number' || (unit !== 'px' && unit !== 'rem')) return undefined;
	return number * (unit === 'rem' ? root : 1);
}

/** Every dimension of a tree of tokens, by its path. */
function tokensIn(tree: unknown, root: number, path: readonly string[] = []): [readonly string[], number][] {
	if (typeof tree !== 'object' || tree === null) return [];
	const own = '$value' in tree ? pxOfToken((tree as { $value: unknown }).$value, root) : undefined;
	if (own !== undefined) return [[path, own]];
	return Object.entries(tree).flatMap(([name, inner]) =>
		name.startsWith('$') ? [] : tokensIn(inner, root, [...path, name])
	);
}

function fromTokens(text: string, root: number): ReadSizes {
	let tree: unknown;
	try {
		tree = JSON.parse(text);
	} catch (error) {
		return refuse(`This is no JSON: ${messageOf(error)}.`);
	}
	const own = (tree as { $extensions?: Record<string, unknown> } | null)?.$extensions?.[OWN];
	if (own !== undefined) {
		const read = scaleSchema.safeParse(own);
		if (read.success) return done({ kind: 'scale', scale: read.data });
		const [issue] = read.error.issues;
		return refuse(`${OWN}, ${issue?.path.join('.') ?? ''}: ${issue ? misfit(issue, own) : 'is no scale'}.`);
	}
	const all = tokensIn(tree, root);
	if (all.length === 0) return refuse('No token in this file is a dimension in px or rem.');
	const at = (end: string): Map<string, number> =>
		new Map(all.flatMap(([path, px]) => (path[0] === end ? [[path.slice(1).join('-'), px]] : [])));
	const [narrow, wide] = [at('narrow'), at('wide')];
	const both = [...narrow].flatMap(([name, px]): Sized[] => {
		const there = wide.get(name);
		return there === undefined ? [] : [{ name, narrow: px, wide: there }];
	});
	const sizes =
		both.length > 0 ? both : all.map(([path, px]) => ({ name: path.join('-'), narrow: px, wide: px }));
	return done({ kind: 'sizes', sizes, widths: null });
}

/** The widths over which custom properties are read, CSS px. */
const READ_OVER = over(rational(1), rational(10_000));

function fromProperties(text: string, root: number): ReadSizes {
	const size = lineOver(READ_OVER, line(rationalFromNumber(root)));
	const heights = { small: rational(800), large: rational(800), dynamic: rational(800) };
	const found = [...text.matchAll(/--([-\w]+)\s*:\s*([^;}]+)/g)].flatMap(([, name = '', value = '']) => {
		const read = curveOfText(value, { over: READ_OVER, em: size, rem: size, heights });
		return read.kind === 'curve' ? [{ name, curve: read.curve }] : [];
	});
	if (found.length === 0) return refuse('No custom property in this file is a length.');
	// Rounded digits move the knees of slowly growing sizes the most.
	const knees = found
		.map(({ curve }) => ({
			at: jointsOf(curve).map(({ cut }) => toNumber(cut.at)),
			slope: Math.max(...curve.map((piece) => Math.abs(toNumber(piece.line.slope))))
		}))
		.filter(({ at }) => at.length > 1)
		.reduce((steepest, one) => (one.slope > steepest.slope ? one : steepest), { at: [NaN], slope: 0 }).at;
	const [first = NaN, last = NaN] = [knees[0], knees.at(-1)];
	const widths = first < last ? { narrow: Math.round(first), wide: Math.round(last) } : null;
	const at = (curve: (typeof found)[number]['curve'], width: number): number =>
		toNumber(valueOn(curve, rationalFromNumber(width)) ?? rational(0));
	return done({
		kind: 'sizes',
		widths,
		sizes: found.map(({ name, curve }) => ({
			name,
			narrow: at(curve, widths?.narrow ?? 360),
			wide: at(curve, widths?.wide ?? 1280)
		}))
	});
}

function fromTable(text: string): ReadSizes {
	const rows = text
		.split(/\r?\n/)
		.filter((row) => row.trim() !== '')
		.map((row) =>
			[...row.matchAll(/("(?:[^"]|"")*"|[^,]*)(?:,|$)/g)]
				.slice(0, -1)
				.map(([, cell = '']) => cell.replace(/^"|"$/g, '').replaceAll('""', '"').trim())
		);
	const [head, ...lines] = rows;
	if (!head || head.length < 3) return refuse('A table of sizes has a name and two sizes a line.');
	const [, narrow, wide] = [head, ...head.slice(-2)].map((cell) =>
		Number(String(cell).replace(/\s*px$/, ''))
	);
	const sizes: Sized[] = [];
	for (const [i, cells] of lines.entries()) {
		const [a, b] = cells.slice(-2).map(Number);
		if (!a || !b || a <= 0 || b <= 0)
			return refuse(`Line ${i + 2} has no two sizes above 0: “${cells.join(', ')}”.`);
		sizes.push({ name: cells[0] ?? '', narrow: a, wide: b });
	}
	if (sizes.length === 0) return refuse('This table has no line with sizes.');
	return done({ kind: 'sizes', sizes, widths: narrow && wide && narrow < wide ? { narrow, wide } : null });
}

/**
 * Reads sizes from a file: design tokens, custom properties or comma-separated values, recognised by their content.
 */
export function readSizes(text: string, root: number): ReadSizes {
	const trimmed = text.trim();
	if (trimmed === '') return refuse('This file is empty.');
	if (trimmed.startsWith('{') && !/^\{\s*--/.test(trimmed)) return fromTokens(trimmed, root);
	if (/--[-\w]+\s*:/.test(trimmed)) return fromProperties(trimmed, root);
	return fromTable(trimmed);
}
