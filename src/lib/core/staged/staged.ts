import * as z from 'zod/mini';
import { DONE, refuse, type Result } from '../text/index.ts';

/** Attributes with which a page would fetch, send or run something: staged states do not set them. */
const ACTS = /^(on|src|href|xlink:href|action|formaction|data$|poster|http-equiv|manifest|ping)/i;

const selector = z.string().check(z.trim(), z.minLength(1, 'a selector is missing'), z.maxLength(400));
const name = z
	.string()
	.check(
		z.trim(),
		z.minLength(1, 'a name is missing'),
		z.maxLength(100),
		z.regex(/^[^\s"'<>/=]+$/, 'a name has no spaces, quotes, <, >, / or =')
	);
const attributeName = name.check(
	z.refine((text) => !ACTS.test(text), 'this attribute fetches or runs something')
);

/** A change of a class or attribute on all elements that a selector matches. */
export const stagedChangeSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('add-class'), selector, name }),
	z.strictObject({ kind: z.literal('remove-class'), selector, name }),
	z.strictObject({
		kind: z.literal('set'),
		selector,
		name: attributeName,
		value: z.string().check(z.maxLength(2000))
	}),
	z.strictObject({ kind: z.literal('remove'), selector, name: attributeName })
]);

/** A named set of changes that imitates what a script would have done; made in frames only. */
export const stagedStateSchema = z.strictObject({
	name: z.string().check(z.trim(), z.minLength(1, 'a name is missing'), z.maxLength(60)),
	/** The page it is for; null for every page. */
	page: z.nullable(z.string().check(z.maxLength(400))),
	changes: z.array(stagedChangeSchema).check(z.minLength(1, 'no change is in it'), z.maxLength(40))
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

/** Refuses anything that is not a staged state. */
export function checkStaged(state: unknown): Result {
	const read = stagedStateSchema.safeParse(state);
	const issue = read.error?.issues[0];
	if (!issue) return DONE;
	const [list, index] = issue.path;
	const where = list === 'changes' && typeof index === 'number' ? `Change ${index + 1}: ` : '';
	return refuse(`${where}${issue.message}.`);
}
