import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { DraftRecord, KeptListRecord, SiteRecord } from '../api.ts';
import type { StagedState } from '../core/staged/index.ts';
import { DONE } from '../core/text/index.ts';
import { Refused } from '../http.ts';
import { SiteState } from './site.svelte.ts';

/** The server, as far as one site with one sheet goes; every answer can be held back. */
const server = vi.hoisted(() => {
	const nothing = { list: [], version: '' };
	return {
		texts: { 'a.css': 'a { color: red }\n' } as Record<string, string>,
		revision: 1,
		staged: nothing as KeptListRecord<'staged'>,
		drafts: [] as DraftRecord[],
		/** What the next answers of a kind wait for, or fail by. */
		holds: new Map<string, (() => Promise<void>)[]>(),
		record(): SiteRecord {
			const kept = Object.fromEntries(
				['original', 'target', 'given', 'errand', 'unsteady', 'finding', 'accepted', 'hold', 'scale'].map(
					(kind) => [kind, nothing]
				)
			);
			return {
				id: 1,
				name: 'a',
				revision: this.revision,
				files: Object.entries(this.texts).map(([path, text]) => ({
					path,
					kind: path.endsWith('.html') ? ('page' as const) : ('sheet' as const),
					hash: `#${text}`,
					size: text.length,
					width: null,
					height: null,
					text,
					ownLines: null
				})),
				vantages: [],
				vantagesVersion: '',
				kept: { ...kept, staged: this.staged } as SiteRecord['kept'],
				drafts: this.drafts
			};
		},
		/** Answers with what is so when it was asked, once nothing holds the answer back. */
		async answer<X>(kind: string, now: () => X): Promise<X> {
			const said = now();
			await this.holds.get(kind)?.shift()?.();
			return said;
		}
	};
});

vi.mock('./tab.ts', () => ({
	tabName: () => Promise.resolve('t'),
	openTabs: () => Promise.resolve(new Set())
}));
vi.mock('./api.ts', async (original) => ({
	...(await original<object>()),
	api: {
		site: () => server.answer('site', () => server.record()),
		save: (_: number, __: string, files: readonly { path: string; text: string }[]) =>
			server.answer('save', () => {
				for (const { path, text } of files) server.texts[path] = text;
				server.revision++;
				return { revision: server.revision, files: server.record().files };
			}),
		keepList: (_: number, __: string, base: string, list: readonly StagedState[]) =>
			server.answer('keep', () => {
				if (base !== server.staged.version) throw new Refused(409, 'It was changed in another tab.', []);
				return (server.staged = { list, version: String(Number(base) + 1) });
			}),
		keepDraft: (_: number, draft: Omit<DraftRecord, 'at'>) =>
			server.answer('draft', () => void server.drafts.push({ ...draft, at: '' })),
		dropDraft: () => server.answer('draft', () => undefined),
		remove: () => server.answer('remove', () => undefined)
	}
}));

/** Holds the next answer of a kind back; what it gives lets the answer go. */
function held(kind: string, failure?: Error): () => void {
	let go: () => void = () => undefined;
	const gone = new Promise<void>((resolve, reject) => (go = () => (failure ? reject(failure) : resolve())));
	server.holds.set(kind, [...(server.holds.get(kind) ?? []), () => gone]);
	return go;
}

const state = (name: string): StagedState => ({ name, changes: [] }) as unknown as StagedState;
const opened: SiteState[] = [];
const open = async (): Promise<SiteState> => {
	const site = await SiteState.open(1, () => []);
	opened.push(site);
	return site;
};
const textOf = (site: SiteState, path: string) => {
	const file = site.texts.get(path);
	if (!file) throw new Error(`${path} is not there.`);
	return file;
};
const sheetOf = (site: SiteState) => textOf(site, 'a.css');

beforeEach(() => {
	vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }));
	const storage = { getItem: () => null, setItem: () => undefined, removeItem: () => undefined };
	vi.stubGlobal('localStorage', storage);
	vi.stubGlobal('sessionStorage', storage);
	Object.assign(server, { texts: { 'a.css': 'a { color: red }\n' }, revision: 1, drafts: [] });
	server.staged = { list: [], version: '0' };
	server.holds.clear();
});
afterEach(() => {
	for (const site of opened.splice(0)) site.close();
	vi.unstubAllGlobals();
});

test('an answer that a save has overtaken puts no older text in, and is asked for again', async () => {
	const site = await open();
	const file = sheetOf(site);
	const answer = held('site');
	const refreshed = site.refresh();
	file.replace('a { color: blue }\n');
	await site.saving.all();
	// In the meantime another tab has saved something else.
	server.texts['a.css'] = 'a { color: green }\n';
	server.revision++;
	answer();
	await refreshed;
	expect(file.text).toBe('a { color: green }\n');
	expect(site.revision).toBe(3);
});

/** A browser's storage. */
class Kept {
	[name: string]: unknown;
	getItem(name: string): unknown {
		return this[name] ?? null;
	}
	setItem(name: string, text: string): void {
		this[name] = text;
	}
	removeItem(name: string): void {
		Reflect.deleteProperty(this, name);
	}
}

test('a site that is deleted leaves no text in the browser, and none is sent any more', async () => {
	const storage = new Kept();
	vi.stubGlobal('localStorage', storage);
	const site = await open();
	vi.useFakeTimers();
	try {
		const fail = held('draft', new Error('The disk is full.'));
		sheetOf(site).replace('a { color: blue }\n');
		await vi.advanceTimersByTimeAsync(500);
		fail();
		await vi.advanceTimersByTimeAsync(0);
		expect(Object.keys(storage)).toEqual(['["vantaggio-left",1,"t","a.css"]']);
		server.drafts = [];
		await site.remove();
		site.close();
		await vi.advanceTimersByTimeAsync(60_000);
		expect([Object.keys(storage), server.drafts]).toEqual([[], []]);
	} finally {
		vi.useRealTimers();
	}
});

test('a site that could not be deleted has its text sent as before', async () => {
	const site = await open();
	vi.useFakeTimers();
	try {
		sheetOf(site).replace('a { color: blue }\n');
		const fail = held('remove', new Error('The disk is full.'));
		const removed = expect(site.remove()).rejects.toThrow('The disk is full.');
		fail();
		await removed;
		await vi.advanceTimersByTimeAsync(500);
		expect(server.drafts.map(({ text }) => text)).toEqual(['a { color: blue }\n']);
	} finally {
		vi.useRealTimers();
	}
});

test('what is asked for while a save is under way waits for it', async () => {
	const site = await open();
	const file = sheetOf(site);
	file.replace('a { color: blue }\n');
	const answer = held('save');
	const saved = site.saving.all();
	// The server has it, and its answer is still on the way.
	await vi.waitFor(() => expect(server.revision).toBe(2));
	const refreshed = site.refresh();
	// Taken back meanwhile: it is as it was saved before, and still the newest text of this tab.
	file.replace('a { color: red }\n');
	await new Promise((resolve) => setImmediate(resolve));
	answer();
	await Promise.all([saved, refreshed]);
	expect(file.text).toBe('a { color: red }\n');
	expect(file.saved).toBe('a { color: blue }\n');
	expect(file.dirty).toBe(true);
});

test('a list that was changed meanwhile is not put back by an older answer', async () => {
	const site = await open();
	const answer = held('site');
	const refreshed = site.refresh();
	expect(await site.kept.staged.keep((list) => [...list, state('open')], 'opened')).toEqual(DONE);
	answer();
	await refreshed;
	expect(site.kept.staged.list).toEqual([state('open')]);
	expect(await site.kept.staged.keep((list) => [...list, state('sent')], 'sent')).toEqual(DONE);
});

test('a change that is refused, with no answer to what is there now, blocks none after it and can be tried again', async () => {
	const site = await open();
	const list = site.kept.staged;
	server.staged = { list: [state('theirs')], version: '7' };
	held('site', new Refused(0, 'The server cannot be reached.', []))();
	expect((await list.keep((all) => [...all, state('mine')], 'added')).ok).toBe(false);
	expect(list.trouble).toBe('It was changed in another tab.');
	// Refused once more, with an answer now.
	expect((await list.keepAgain()).ok).toBe(false);
	expect(list.list).toEqual([state('theirs')]);
	expect(await list.keepAgain()).toEqual(DONE);
	expect(list.list).toEqual([state('theirs'), state('mine')]);
	expect(list.trouble).toBeNull();
	expect((await list.keepAgain()).ok).toBe(false);
});

test('a draft is what was typed last, and does not end the pause in which all else waits', async () => {
	vi.useFakeTimers();
	try {
		server.texts['a.css'] = `${'/* long */\n'.repeat(5000)}a { }\n`;
		const site = await open();
		const file = sheetOf(site);
		const type = (letter: string): void =>
			file.follow([file.state.update({ changes: { from: file.state.doc.length, insert: letter } })]);
		for (const letter of 'abcdef') {
			type(letter);
			await vi.advanceTimersByTimeAsync(100);
		}
		expect(server.drafts[0]?.text.endsWith('{ }\nabc')).toBe(true);
		expect(file.isBehind).toBe(true);
		expect(file.text).toBe(file.saved);
		await vi.advanceTimersByTimeAsync(300);
		expect(file.isBehind).toBe(false);
		expect(file.text.endsWith('abcdef')).toBe(true);
	} finally {
		vi.useRealTimers();
	}
});

test('a long page is read in pieces between which more is typed, and is then what was typed last', async () => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
	let now = 0;
	const clock = vi.spyOn(performance, 'now').mockImplementation(() => (now += 20));
	try {
		server.texts['a.html'] = '<p>words</p>\n'.repeat(8000);
		const site = await open();
		const file = textOf(site, 'a.html');
		const type = (letter: string): void =>
			file.follow([file.state.update({ changes: { from: file.state.doc.length, insert: letter } })]);
		type('x');
		await vi.advanceTimersByTimeAsync(255);
		expect([site.parsers.page.knows(file.latest), file.isBehind]).toEqual([false, true]);
		type('y');
		await vi.advanceTimersByTimeAsync(100);
		expect(file.text).toBe(file.saved);
		await vi.advanceTimersByTimeAsync(2000);
		expect(file.text.endsWith('xy')).toBe(true);
		expect([site.parsers.page.knows(file.text), file.isBehind]).toEqual([true, false]);
	} finally {
		clock.mockRestore();
		vi.useRealTimers();
	}
});

test('what was saved elsewhere refuses a save, is named, and is settled by either text', async () => {
	const site = await open();
	const file = sheetOf(site);
	const theirs = { path: 'a.css', hash: '#theirs', text: 'a { color: green }\n', ownLines: null };
	held('save', new Refused(409, 'It was saved elsewhere.', [theirs]))();
	file.replace('a { color: blue }\n');
	await site.saving.all();
	expect(site.saving.state).toEqual({ kind: 'failed', sentence: 'It was saved elsewhere.' });
	expect(site.saving.stale).toEqual([theirs]);
	// Nothing of this text is lost: it is a draft, and dirty against theirs.
	site.saving.settle(theirs, 'mine');
	expect(file.text).toBe('a { color: blue }\n');
	expect([file.base, file.saved, file.dirty]).toEqual(['#theirs', theirs.text, true]);
	expect([site.saving.stale, site.saving.state]).toEqual([[], { kind: 'idle' }]);
	site.saving.settle(theirs, 'theirs');
	expect([file.text, file.dirty]).toEqual([theirs.text, false]);
});

test('drafts of tabs that are gone are taken up, the newest of a file; one of what is saved already goes', async () => {
	const draft = (tab: string, at: string, text: string): DraftRecord => ({
		path: 'a.css',
		tab,
		at,
		text,
		base: '#a { color: red }\n',
		caret: 0
	});
	server.drafts = [
		draft('x', '2026-01-01', 'a { color: old }\n'),
		draft('y', '2026-01-03', 'a { color: new }\n'),
		draft('z', '2026-01-02', 'a { color: red }\n')
	];
	const site = await open();
	expect(sheetOf(site).text).toBe('a { color: new }\n');
	expect(site.older.map(({ tab }) => tab)).toEqual(['x']);
	expect(site.takeDraft({ ...draft('q', '', 'x'), path: 'gone.css' })).toBe(false);
	const [older] = site.older;
	if (older) await site.dropOlder(older);
	expect(site.older).toEqual([]);
});
