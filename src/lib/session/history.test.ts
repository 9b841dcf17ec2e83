import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { FileRecord } from '../api.ts';
import { parseSheet } from '../core/css/index.ts';
import { changedErrands, type Errand } from '../core/errand/index.ts';
import type { MovedFile } from '../core/history/index.ts';
import { SiteHistory } from './history.svelte.ts';
import { historyKeeper } from './keptHistory.ts';
import { FileText } from './texts.svelte.ts';

/** The texts of a site with their history, as a reload of the same tab makes them anew. */
function site(texts: Readonly<Record<string, string>>) {
	const files = new Map<string, FileText>();
	const moves: MovedFile[] = [];
	const errands: Errand[] = [];
	const history: SiteHistory = new SiteHistory(
		(path) => files.get(path),
		(_, source) => ({ source, sheetAt: () => ({ sheet: parseSheet(source), start: 0 }) }),
		historyKeeper(1, 't'),
		{
			move: (moved) => moves.push(moved),
			list: (changes) => {
				const after = changedErrands(errands, changes, (path) => path);
				if (after) errands.splice(0, errands.length, ...after);
				return after && [];
			}
		}
	);
	for (const [path, text] of Object.entries(texts)) {
		const record = { path, kind: 'sheet', hash: '', text } as FileRecord;
		files.set(
			path,
			new FileText(record, {
				changed: (file, transactions) => history.note(file, transactions),
				isGiven: () => false,
				setup: () => [],
				readAhead: function* () {}
			})
		);
	}
	history.resume();
	const fileOf = (path: string) => files.get(path) as FileText;
	return {
		history,
		moves,
		errands,
		fileOf,
		now: () => Object.fromEntries([...files].map(([path, { latest }]) => [path, latest])),
		/** Types letter by letter, after a piece of a text. */
		type(path: string, after: string, letters: string, userEvent = 'input.type'): void {
			const file = fileOf(path);
			let from = file.latest.indexOf(after) + after.length;
			for (const insert of letters)
				file.follow([file.state.update({ changes: { from: from++, insert }, userEvent })]);
		},
		words: () => {
			history.name();
			return history.steps.map(({ words }) => words);
		}
	};
}

const TEXTS = { 'a.css': 'a { top: 0 }\n', 'b.css': 'b { left: 0 }\n' };
const kept = new Map<string, string>();

beforeEach(() => {
	vi.useFakeTimers();
	kept.clear();
	vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }));
	vi.stubGlobal('sessionStorage', {
		getItem: (name: string) => kept.get(name) ?? null,
		setItem: (name: string, text: string) => kept.set(name, text),
		removeItem: (name: string) => kept.delete(name)
	});
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

test('letters in one go are one step; a pause, another place or a paste begins the next', () => {
	const { history, type, now, words } = site(TEXTS);
	type('a.css', 'top: ', '12');
	vi.advanceTimersByTime(900);
	type('a.css', 'top: 12', '3');
	vi.advanceTimersByTime(1100);
	type('a.css', 'top: 123', '4');
	type('a.css', 'a', 'b');
	type('a.css', 'ab', ' c', 'input.paste');
	expect(words()).toEqual([
		'top 0 → 1230, a',
		'top 1230 → 12340, a',
		'“b” added, line 1',
		'White space, line 1',
		'“c” added, line 1'
	]);
	for (let i = 0; i < 4; i++) history.undo();
	expect(now()).toEqual({ ...TEXTS, 'a.css': 'a { top: 1230 }\n' });
	expect(history.undo() && !history.undo()).toBe(true);
	expect(now()).toEqual(TEXTS);
});

test('the newest step is taken back whichever file it is in, and made again; an edit of two files is one', () => {
	const { history, type, now, words } = site(TEXTS);
	history.make({
		sentence: 'both',
		files: [
			{ path: 'a.css', changes: [{ start: 0, end: 1, text: '.x' }] },
			{ path: 'b.css', changes: [{ start: 0, end: 1, text: '.y' }] }
		]
	});
	const both = now();
	type('b.css', 'left: ', '9');
	const all = now();
	expect(words()).toEqual(['both', 'left 0 → 90, .y']);
	history.undo();
	expect(now()).toEqual(both);
	expect(history.last?.places).toEqual([{ path: 'b.css', offset: 11, aside: true }]);
	expect(history.lastInWords()).toBe('Undone: left 0 → 90, .y');
	expect(history.before('b.css', now()['b.css'] ?? '')).toBe(all['b.css']);
	history.undo();
	expect(now()).toEqual(TEXTS);
	history.goTo(2);
	expect(now()).toEqual(all);
	expect(history.lastInWords()).toBe('Redone: left 0 → 90, .y');
	expect(history.before('b.css', all['b.css'] ?? '')).toBe(both['b.css']);
});

test('a reload of the tab keeps the steps, as far as the texts are as they left them', () => {
	const first = site(TEXTS);
	first.type('a.css', 'top: ', '1');
	vi.advanceTimersByTime(2000);
	first.type('b.css', 'left: ', '2');
	// The page is left at once: what is not kept yet is kept then.
	Object.assign(document, { visibilityState: 'hidden' }).dispatchEvent(new Event('visibilitychange'));
	const texts = first.now() as typeof TEXTS;

	const again = site(texts);
	expect(again.history.steps).toEqual(first.history.steps);
	again.history.goTo(0);
	expect(again.now()).toEqual(TEXTS);
	vi.advanceTimersByTime(2000);

	const back = site(TEXTS);
	expect([back.history.steps.length, back.history.made]).toEqual([2, 0]);
	back.history.goTo(2);
	expect(back.now()).toEqual(texts);
	vi.advanceTimersByTime(2000);

	const other = site({ ...texts, 'a.css': 'z { top: 1 }\n' });
	expect(other.words()).toEqual(['left 0 → 20, b']);
});

test('a text that is another than a step left it stays as it is, and that is said', () => {
	const { history, type, fileOf, now } = site(TEXTS);
	type('a.css', 'top: ', '1');
	fileOf('a.css').replace('b { }\n', 0, true);
	expect(history.undo()).toBe(false);
	expect(now()).toEqual({ ...TEXTS, 'a.css': 'b { }\n' });
	expect(history.steps).toEqual([]);
});

test('what a step mutes nothing of stays muted while it is taken back', () => {
	const { history, type, fileOf } = site(TEXTS);
	const file = fileOf('a.css');
	file.mute({ span: { start: 4, end: 10 }, words: 'top: 0' });
	type('a.css', 'a', 'b');
	history.undo();
	expect(file.inForce).toBe('a {        }\n');
});

const ERRAND: Errand = { page: 'a.html', name: 'x', path: [1, 0], tag: 'p', words: 'One', done: false };

test('an errand is a step like any other: undone in its turn, and again after a reload', () => {
	const first = site(TEXTS);
	first.errands.push(ERRAND);
	first.type('a.css', 'top: ', '1');
	first.history.asOne('Errand added', () => undefined, { errands: [{ at: 0, was: null, now: ERRAND }] });
	first.type('b.css', 'left: ', '2');
	const texts = first.now() as typeof TEXTS;
	expect(first.words()).toEqual(['top 0 → 10, a', 'Errand added', 'left 0 → 20, b']);
	first.history.undo();
	first.history.undo();
	expect(first.errands).toEqual([]);
	expect(first.history.lastInWords()).toBe('Undone: Errand added');
	expect(first.now()).toEqual({ ...texts, 'b.css': TEXTS['b.css'] });
	first.history.undo();
	first.history.goTo(3);
	expect(first.now()).toEqual(texts);
	expect(first.errands).toEqual([ERRAND]);
	vi.advanceTimersByTime(2000);

	const again = site(texts);
	again.errands.push(ERRAND);
	again.history.goTo(1);
	expect(again.errands).toEqual([]);
});

test('an errand that is another since is left as it is, and steps before it cannot be undone', () => {
	const { history, errands, type, now } = site(TEXTS);
	type('a.css', 'top: ', '1');
	history.asOne('Errand added', () => undefined, { errands: [{ at: 0, was: null, now: ERRAND }] });
	errands.push({ ...ERRAND, done: true });
	expect(history.undo()).toBe(false);
	expect(errands).toEqual([{ ...ERRAND, done: true }]);
	expect(now()['a.css']).toBe('a { top: 10 }\n');
	expect(history.steps).toEqual([]);
});
