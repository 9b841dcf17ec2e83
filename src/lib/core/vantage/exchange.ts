import { done, messageOf, refuse, type Result } from '../text/index.ts';
import * as z from 'zod/mini';
import { misfit, valueAt } from '../json/index.ts';
import { vantageSchema, type Vantage } from './vantage.ts';

const FORMAT = 'vantaggio-vantages-1';

/** A list of vantages as a file; `docs/vantages.schema.json` is generated from it. */
export const vantagesFileSchema = z.strictObject({
	format: z.literal(FORMAT),
	vantages: z.array(vantageSchema).check(z.minLength(1), z.maxLength(40))
});

/** Vantages as the text of a file that `readVantages` accepts. */
export const writeVantages = (vantages: readonly Vantage[]): string =>
	`${JSON.stringify({ format: FORMAT, vantages }, null, '\t')}\n`;

/** Reads a file of vantages. Each error is a sentence that names the vantage, the field and what is allowed. */
export function readVantages(text: string): Result<readonly Vantage[]> {
	let value: unknown;
	try {
		value = JSON.parse(text);
	} catch (error) {
		return refuse(`This is no JSON: ${messageOf(error)}.`);
	}
	const read = vantagesFileSchema.safeParse(value);
	if (!read.success) return refuse(sentenceOf(read.error.issues[0], value));
	const { vantages } = read.data;
	const twice = nameTwice(vantages.map(({ name }) => name));
	return twice === undefined ? done(vantages) : refuse(`Two vantages are called “${twice}”.`);
}

/** Checks the fields of one vantage: a sentence for each invalid one, by the field's name. */
export function vantageProblems(fields: unknown): ReadonlyMap<string, string> {
	const read = vantageSchema.safeParse(fields);
	const found = new Map<string, string>();
	for (const issue of read.error?.issues ?? []) {
		const field = issue.path.join('.');
		if (!found.has(field)) found.set(field, misfit(issue, fields));
	}
	return found;
}

/** The first name that occurs twice, ignoring case. */
export function nameTwice(names: readonly string[]): string | undefined {
	const seen = new Set<string>();
	return names.find((name) => seen.size === seen.add(name.trim().toLowerCase()).size);
}

/** A name that is not among some names: the requested one, with a number after it where it is taken. */
export function freeName(requested: string, names: readonly string[]): string {
	for (let i = 1; ; i++) {
		const name = i === 1 ? requested : `${requested} ${i}`;
		if (nameTwice([...names, name]) === undefined) return name;
	}
}

/** An error in a file of vantages, with its place. */
export function sentenceOf(issue: z.core.$ZodIssue | undefined, value: unknown): string {
	if (!issue) return 'This is no list of vantages.';
	const [list, index, ...field] = issue.path;
	const what = misfit(issue, value);
	if (list !== 'vantages' || typeof index !== 'number') {
		return `This is no list of vantages: ${list === undefined ? '' : `${String(list)} `}${what}.`;
	}
	const name = valueAt(value, [list, index, 'name']);
	const which = `Vantage ${index + 1}${typeof name === 'string' ? ` (“${name}”)` : ''}`;
	return `${which}${field.length > 0 ? `, ${field.join('.')}` : ''}: ${what}. Nothing was imported.`;
}
