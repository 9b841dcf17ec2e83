import * as z from 'zod';

/** Attributes by which a page would fetch, send or run something: a staged state does not set them. */
const ACTS = /^(on|src|href|xlink:href|action|formaction|data$|poster|http-equiv|manifest|ping)/i;

const selector = z.string().trim().min(1, 'a selector is missing').max(400);
const name = z
	.string()
	.trim()
	.min(1, 'a name is missing')
	.max(100)
	.regex(/^[^\s"'<>/=]+$/, 'a name has no spaces, quotes, <, >, / or =');
const attributeName = name.refine((text) => !ACTS.test(text), 'this attribute fetches or runs something');

/** A change of a class or attribute on all elements that a selector hits. */
export const stagedChangeSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('add-class'), selector, name }),
	z.strictObject({ kind: z.literal('remove-class'), selector, name }),
	z.strictObject({ kind: z.literal('set'), selector, name: attributeName, value: z.string().max(2000) }),
	z.strictObject({ kind: z.literal('remove'), selector, name: attributeName })
]);

/** A named set of changes, for what a script would have done: made in frames only. */
export const stagedStateSchema = z.strictObject({
	name: z.string().trim().min(1, 'a name is missing').max(60),
	/** The page it is for; null for every page. */
	page: z.string().max(400).nullable(),
	changes: z.array(stagedChangeSchema).min(1, 'no change is in it').max(40)
});

export type StagedChange = z.infer<typeof stagedChangeSchema>;
export type StagedState = z.infer<typeof stagedStateSchema>;

/** A change in a few words, as it is read in a list. */
export function changeInWords(change: StagedChange): string {
	switch (change.kind) {
		case 'add-class':
			return `${change.selector} gets the class ${change.name}`;
		case 'remove-class':
			return `${change.selector} loses the class ${change.name}`;
		case 'set':
			return `${change.selector} gets ${change.name}="${change.value}"`;
		case 'remove':
			return `${change.selector} loses ${change.name}`;
	}
}

/** What is wrong with a staged state, a sentence; undefined where nothing is. */
export function stagedProblem(state: unknown): string | undefined {
	const read = stagedStateSchema.safeParse(state);
	const issue = read.error?.issues[0];
	if (!issue) return undefined;
	const [list, index] = issue.path;
	const where = list === 'changes' && typeof index === 'number' ? `Change ${index + 1}: ` : '';
	return `${where}${issue.message}.`;
}
