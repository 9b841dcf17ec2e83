import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { expect, test } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { selectorsIn } from '../selector/index.ts';
import { NO_SWITCHES, PLAIN, seenVantage } from '../vantage/index.ts';
import { simulatedText } from '../simulate/index.ts';
import { rememberedPieces } from './index.ts';

test('pieces are remembered up to so much text, those asked for last; a longer one is not', () => {
	const asked: string[] = [];
	const lengthOf = rememberedPieces((piece) => {
		asked.push(piece);
		return piece.length + 1;
	}, 10);
	for (const piece of ['abc', 'de', 'abc', 'fghi', 'abc', 'de', 'x'.repeat(20), 'x'.repeat(20)])
		expect(lengthOf(piece)).toBe(piece.length + 1);
	expect(asked).toEqual(['abc', 'de', 'fghi', 'de', 'x'.repeat(20), 'x'.repeat(20)]);
});

test('what is remembered of parts of a sheet does not keep every text that it had', () => {
	setFlagsFromString('--expose-gc');
	const collect = runInNewContext('gc') as () => void;
	const rules = Array.from(
		{ length: 4000 },
		(_, i) => `.part-number-${i} { margin: ${i}px auto; color: red }\n`
	);
	const sheet = rules.join('');
	const as = seenVantage(PLAIN, NO_SWITCHES);
	const edit = (i: number): void => {
		const text = Buffer.from(`.another-selector-${i} { color: tan }\n${sheet}`).toString();
		simulatedText(text, as);
		parseSheet(text);
		selectorsIn(text.slice(0, text.indexOf(' {')));
	};
	const used = (): number => {
		// Buffers that one collection has found dead are freed beside it; the next one waits for that.
		collect();
		collect();
		return process.memoryUsage().heapUsed + process.memoryUsage().external;
	};
	for (let i = 0; i < 20; i++) edit(i);
	const before = used();
	for (let i = 20; i < 220; i++) edit(i);
	expect(used() - before).toBeLessThan(0.1 * 200 * sheet.length);
});
