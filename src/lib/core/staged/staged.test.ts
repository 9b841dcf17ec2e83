import { expect, it } from 'vitest';
import { DONE, refuse } from '../text/index.ts';
import { changeInWords, checkStaged, type StagedState } from './index.ts';

const state = (change: object): object => ({ name: 'Menu open', page: null, changes: [change] });

it.each([
	[{ kind: 'add-class', selector: 'nav', name: 'open' }, undefined],
	[{ kind: 'set', selector: 'button', name: 'aria-expanded', value: 'true' }, undefined],
	[{ kind: 'add-class', selector: '', name: 'open' }, 'Change 1: a selector is missing.'],
	[
		{ kind: 'add-class', selector: 'a', name: 'two words' },
		'Change 1: a name has no spaces, quotes, <, >, / or =.'
	],
	[
		{ kind: 'set', selector: 'a', name: 'onclick', value: 'x' },
		'Change 1: this attribute fetches or runs something.'
	],
	[{ kind: 'remove', selector: 'img', name: 'SRCSET' }, 'Change 1: this attribute fetches or runs something.']
])('%j', (change, problem) => {
	expect(checkStaged(state(change))).toEqual(problem === undefined ? DONE : refuse(problem));
});

it('a state without a change is none', () => {
	expect(checkStaged({ name: 'x', page: null, changes: [] })).toEqual(refuse('no change is in it.'));
});

it('is told in words', () => {
	const { changes }: StagedState = {
		name: 'x',
		page: null,
		changes: [
			{ kind: 'add-class', selector: 'nav', name: 'open' },
			{ kind: 'set', selector: 'a', name: 'hidden', value: '' }
		]
	};
	expect(changes.map(changeInWords)).toEqual(['nav gets the class open', 'a gets hidden=""']);
});
