import { expect, test } from '../fixtures.ts';
import { canHold, damaged, declaredIn, WHOLE, type Declared } from './damaged.ts';

/** How many sheets are damaged. */
const COUNT = 3000;
/**
 * Sheets that the engine reads differently, by their seed: with parentheses not closed before the end of the braces
 * around them.
 */
const KNOWN = [1742, 3000];

/**
 * In the browser: the custom properties of each sheet, with how they are nested, and which of some texts are what they should
 * be: selectors, preludes of at-rules, values.
 */
function engineReads({
	sheets,
	preludes,
	values
}: {
	sheets: string[];
	preludes: string[];
	values: string[];
}) {
	const names: Record<string, string> = {
		CSSMediaRule: '@media',
		CSSSupportsRule: '@supports',
		CSSLayerBlockRule: '@layer',
		CSSContainerRule: '@container',
		CSSScopeRule: '@scope',
		CSSKeyframesRule: '@keyframes'
	};
	const parsed = (text: string): CSSRuleList => {
		const sheet = new CSSStyleSheet();
		sheet.replaceSync(text);
		return sheet.cssRules;
	};
	const read = (text: string): string[] => {
		const found = new Set<string>();
		const visit = (rules: CSSRuleList, around: string): void => {
			for (const rule of rules) {
				const { style, selectorText, cssRules } = rule as CSSStyleRule;
				const isRule = selectorText !== undefined || 'keyText' in rule;
				const own = names[rule.constructor.name] ?? (isRule ? '{' : '');
				const inside = own === '' ? around : `${around}${own} `;
				if (style) for (const name of style) if (name.startsWith('--')) found.add(inside + name);
				if (cssRules) visit(cssRules, inside);
			}
		};
		visit(parsed(text), '');
		return [...found].sort();
	};
	const isReal = (text: string): boolean => {
		const prelude = text.slice(1);
		if (text.startsWith('@')) return parsed(`${text} {}`).length === 1;
		// As keyframes, in a rule, or straight in a sheet.
		if (text.startsWith('%'))
			return parsed(`@keyframes x { ${prelude} {} }`)[0]?.cssText.includes('%') === true;
		// What the engine would read as more than a prelude, or skip at the start of a sheet.
		const bare = prelude.replace(/\/\*[\s\S]*?\*\/|"[^"]*"/g, '');
		if (/;|(^|\s)(<!--|-->)/.test(bare)) return false;
		const rules = text.startsWith('&')
			? (parsed(`x { ${prelude} {} }`)[0] as CSSStyleRule)?.cssRules
			: parsed(`${prelude} {}`);
		return rules?.length === 1 && 'selectorText' in (rules[0] as object);
	};
	return {
		read: sheets.map(read),
		real: preludes.filter(isReal),
		values: values.filter((value) => value.trim() === '' || CSS.supports('--x', value))
	};
}

test('damaged sheets are read as the engine has them', async ({ page, server }) => {
	await page.goto(server.url);
	const sheets = [WHOLE, ...Array.from({ length: COUNT }, (_, i) => damaged(i + 1))];
	const ours = sheets.map(declaredIn);
	const all = ours.flat();
	const { read, real, values } = await page.evaluate(engineReads, {
		sheets,
		preludes: [...new Set(all.flatMap(({ around }) => around))],
		values: [...new Set(all.map(({ value }) => value))]
	});
	const [isReal, isValue] = [new Set(real), new Set(values)];
	const told = ({ around, name }: Declared): string =>
		[...around.map((one) => /^@[\w-]+/.exec(one)?.[0] ?? '{'), name].join(' ');
	const wrong = sheets.flatMap((sheet, seed) => {
		const held = (ours[seed] ?? []).filter(
			({ around, name, value }) =>
				name !== '--' && canHold(around) && around.every((one) => isReal.has(one)) && isValue.has(value)
		);
		const own = [...new Set(held.map(told))].sort();
		const theirs = read[seed] ?? [];
		if (own.join('|') === theirs.join('|')) return [];
		return [
			{
				seed,
				sheet,
				more: own.filter((one) => !theirs.includes(one)),
				fewer: theirs.filter((one) => !own.includes(one))
			}
		];
	});
	console.log(
		`${sheets.length} sheets compared, ${all.length} declarations, ${wrong.length} sheets read otherwise.`
	);
	for (const one of wrong.slice(0, Number(process.env.SHOW ?? 0))) console.log(JSON.stringify(one));
	expect(wrong.map(({ seed }) => seed)).toEqual(KNOWN);
});
