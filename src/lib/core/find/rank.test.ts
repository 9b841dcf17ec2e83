import { describe, expect, it } from 'vitest';
import { ranked } from './index.ts';

const items = [
	{ name: 'footer .sailing-note' },
	{ name: '.sailing' },
	{ name: '.sail' },
	{ name: 'Sailings', also: 'sailings.html' },
	{ name: 'table.times', also: 'Departures of the Sailing boat' },
	{ name: 'Keylines, while held' },
	{ name: 'gap', also: 'Sets the gaps', words: ['even spacing between items'] }
];
const names = (query: string, limit = 10) => ranked(items, query, limit).map(({ name }) => name);

describe('ranked', () => {
	it('puts what is called so before what begins so, has a word so, has it within, has it beside', () => {
		expect(names('sail')).toEqual(['.sail', '.sailing', 'Sailings', 'footer .sailing-note', 'table.times']);
	});
	it('wants every word, in any order and case', () => {
		expect(names('HELD keylines')).toEqual(['Keylines, while held']);
		expect(names('boat table')).toEqual(['table.times']);
		expect(names('table missing')).toEqual([]);
	});
	it('goes by words that are not shown, too', () => {
		expect(names('even spacing')).toEqual(['gap']);
	});
	it('finds nothing for nothing and no more than asked for', () => {
		expect(names('  ')).toEqual([]);
		expect(names('sail', 2)).toHaveLength(2);
	});
});
