import type { Candidate } from '$lib/core/cascade/index.ts';
import { parseSheet, sliceOf } from '$lib/core/css/index.ts';
import { givenBy } from '$lib/core/css/edit/index.ts';
import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
import { rationalFromNumber, toNumber } from '$lib/core/interval/index.ts';
import { curveOfText, line, lineOver, valueOn, type Curve } from '$lib/core/length/index.ts';
import { lengthContext } from '$lib/core/media/index.ts';
import {
	curveOfFluid,
	declarationsOf,
	endsOf,
	NEW_SCALE,
	recognise,
	scaleProblems,
	sizedAt,
	stepsOf,
	type Declared,
	type Recognised,
	type Scale,
	type Step
} from '$lib/core/scale/index.ts';
import type { Edit } from '$lib/core/text/index.ts';
import { deskOf, linesOf, type FileLines } from '$lib/session/desk.ts';
import { reachOf } from '$lib/session/reach.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import {
	judgedWords,
	keepLength,
	keptLength,
	lengthProblem,
	lengthText,
	type Judged,
	type LengthWish
} from './lengthWish.ts';
import { writeSizes } from '$lib/writing/sizeEdit.ts';
import { READ, type ReadText } from '$lib/inquiry/sizes.ts';
import { curveKey } from '$lib/inquiry/textStyles.ts';
import { applyEdit, undoIn } from '$lib/session/steps.ts';
import { TypeReading, type Looked } from './typeReading.svelte.ts';
import { tryEdit } from '$lib/session/trying.ts';
import { takeOutAll, type Refusal } from '$lib/writing/declaration.ts';

/** What is worked on: nothing yet, the scale of the site, or one length of an element. */
export type Work = 'sizes' | 'scale' | 'length';

/** A declaration elsewhere that keeps sizes of the scale from holding. */
export interface Winner {
	readonly from: Candidate;
	readonly file: string;
	/** Offset in the file as it is without what is tried. */
	readonly offset: number;
	/** For how many elements, the first by its name. */
	readonly count: number;
	readonly name: string;
}

/** Whether a declaration is of a rule with just this selector. */
const isOf = (from: Candidate | undefined, selector: string): boolean =>
	from?.hit?.selector.replace(/\s+/g, ' ').trim() === selector;

/** How long a scale is left alone before it is kept with the site, ms. */
const QUIET = 500;

/** The sizes of a page as they are, and as they are being set: tried in all frames until they are written or let go. */
export class Typesetting {
	readonly #site: SiteState;
	readonly reading = new TypeReading();
	work = $state<Work>('sizes');
	scale = $state.raw<Scale>(NEW_SCALE);
	length = $state.raw<LengthWish | null>(null);
	/** Sizes that were tried for the length before these. */
	tried = $state.raw<readonly string[]>([]);
	/** The sheet that what is new goes into; '' for the page's first of ours. */
	home = $state('');
	refusal = $state.raw<Refusal | null>(null);
	edit = $state.raw<Edit | null>(null);
	/** A file that was written into last, and can be taken back; '' for none. */
	written = $state('');
	/** How many elements of how many other pages the rules hit that are written. */
	elsewhere = $state.raw<{ readonly elements: number; readonly pages: number } | null>(null);
	/** Whether something is dragged: sizes are read again when it is let go. */
	dragged = $state(false);
	/** Declarations elsewhere that are taken out along with it, by file and offset. */
	#out = $state.raw<readonly Candidate[]>([]);
	#past = $state.raw<readonly (Scale | LengthWish)[]>([]);
	#future: (Scale | LengthWish)[] = [];
	#keeping: ReturnType<typeof setTimeout> | undefined;

	constructor(site: SiteState) {
		this.#site = site;
		const [kept] = site.kept.scale.list;
		if (kept) this.scale = kept;
	}

	/** The hand-written sheets that the page has, in its order. */
	readonly files: readonly string[] = $derived.by(() => {
		const own =
			this.reading.looked?.page.sheets.flatMap(({ from }) => (from.kind === 'file' ? from.path : [])) ?? [];
		return [...new Set(own)].filter((path) => !this.#site.given.has(path));
	});
	readonly into: string = $derived.by(() =>
		this.files.includes(this.home) ? this.home : (this.files[0] ?? '')
	);
	/** How many px a rem is; where that goes by the width, what it is usually. */
	readonly root = $derived.by(() => {
		const curve = this.reading.before?.sizing.size(0).curve;
		const [only] = curve ?? [];
		const still = curve?.length === 1 && only?.line.slope.n === 0n;
		return { px: still && only ? toNumber(only.line.constant) : 16, still: still || !curve };
	});
	readonly #declaredByScale: readonly Declared[] = $derived.by(() =>
		scaleProblems(this.scale).length > 0 ? [] : declarationsOf(this.scale, this.root.px)
	);
	/** What cannot be meant, by field. */
	readonly problems = $derived.by(() => {
		if (this.work === 'scale') return [...scaleProblems(this.scale), ...this.#namesTaken()];
		const sentence = this.work === 'length' && this.length ? lengthProblem(this.length) : undefined;
		return sentence === undefined ? [] : [{ field: 'length', sentence }];
	});
	readonly steps: readonly Step[] = $derived.by(() =>
		scaleProblems(this.scale).length > 0 ? [] : stepsOf(this.scale)
	);
	/** What the sizes of levels and paragraphs are as a scale, if they are one. */
	readonly found: Recognised | undefined = $derived.by(() => {
		const levels = this.reading.levels('before');
		const ends = endsOf(levels.map(({ curve }) => curve));
		const { narrow, wide } = ends ?? { narrow: this.scale.narrow.width, wide: this.scale.wide.width };
		const sized = levels.flatMap(({ name, curve }) => sizedAt(name, curve, narrow, wide) ?? []);
		const body = sized.find(({ name }) => name === 'p');
		const found = body && recognise(sized, body);
		return found && { ...found, ends: { narrow, wide } };
	});
	/** The text of the length that is set, and its curve. */
	readonly lengthText = $derived.by(() =>
		this.length && !lengthProblem(this.length)
			? lengthText(this.length, { ...this.scale.output, root: this.root.px })
			: ''
	);
	readonly lengthCurve = $derived.by(() => this.#curveOf(this.lengthText));
	readonly declared: readonly Declared[] = $derived.by(() => {
		if (this.problems.length > 0) return [];
		if (this.work === 'scale') return this.#declaredByScale;
		const { length } = this;
		if (this.work !== 'length' || !length) return [];
		const { selector, property } = length;
		return [{ selector, property, value: this.lengthText, fallback: '', step: null }];
	});
	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.#site, this.edit));

	/** Whether something is to be tried again once another page is read without it. */
	#again = false;

	/** Reads the sizes anew; on another page first without what is tried, which is tried again then. */
	async look(looked: Looked, selectors: readonly string[], signal: AbortSignal): Promise<void> {
		if (this.edit && this.reading.looked?.page.path !== looked.page.path) {
			this.#again = true;
			// The sources change by it, for which this is called again.
			return this.#set(null);
		}
		await this.reading.read(looked, selectors, this.edit !== null, signal);
		if (signal.aborted) return;
		if (this.#again) {
			this.#again = false;
			this.try();
			if (this.edit) return;
		}
		await this.reading.measure(looked, signal);
	}

	/** Counts what the selectors that are written hit on other pages. */
	async count(signal: AbortSignal): Promise<void> {
		const { looked } = this.reading;
		const selectors = [...new Set(this.declared.map(({ selector }) => selector))].filter(
			(one) => one !== ':root'
		);
		if (!looked || !this.edit || selectors.length === 0) {
			this.elsewhere = null;
			return;
		}
		const { elsewhere } = await reachOf(this.#site, looked.page, looked.stages, selectors);
		if (signal.aborted) return;
		const counts = [...elsewhere.values()].map((all) =>
			all.reduce<number>((sum, one) => sum + (one ?? 0), 0)
		);
		this.elsewhere = {
			elements: counts.reduce((sum, one) => sum + one, 0),
			pages: counts.filter((one) => one > 0).length
		};
	}

	/** Chooses what is worked on. */
	choose(work: Work): void {
		this.work = work;
		this.written = '';
		this.#past = [];
		this.#future = [];
		this.#out = [];
		this.try();
	}

	/** Begins to set a length of an element from what it is at both ends. */
	begin(path: ElementPath, property: string): void {
		const { before: read, looked } = this.reading;
		if (!read || !looked) return;
		const size = read.sizing.length(read.indexOf(path), property);
		const source = size.sources.findLast(({ up, from }) => up === 0 && from?.hit);
		const kept = keptLength(this.#site.id, looked.page.path);
		const { narrow, wide } = this.scale;
		const at = (width: number): Judged => {
			const px = size.curve && valueOn(size.curve, rationalFromNumber(width));
			return { width, size: px ? Number(toNumber(px).toFixed(2)) : 16 };
		};
		const isKept = kept?.property === property && kept.path.join() === path.join();
		this.length = (isKept && kept) || {
			path,
			property,
			selector: source?.from?.hit?.selector ?? nameAt(looked.page.page, path, ''),
			least: at(narrow.width),
			middle: { kind: 'between' },
			most: at(wide.width),
			comment: false
		};
		this.tried = [];
		this.choose('length');
	}

	/** Sets the scale, or the length, otherwise; `step` keeps what it was for undo. */
	put(change: Partial<Scale> | ((scale: Scale) => Scale), step = true): void {
		if (step) this.#remember(this.scale);
		this.scale = typeof change === 'function' ? change(this.scale) : { ...this.scale, ...change };
		this.try();
		this.#keepSoon();
	}

	putLength(change: Partial<LengthWish>, step = true): void {
		const { length } = this;
		if (!length) return;
		if (step) this.#remember(length);
		this.length = { ...length, ...change };
		this.#keepLength();
		if (step && this.lengthText && !this.tried.includes(this.lengthText))
			this.tried = [...this.tried, this.lengthText].slice(-8);
		this.try();
	}

	/** Keeps what is there for undo, before a drag changes it. */
	mark(): void {
		const now = this.work === 'length' ? this.length : this.scale;
		if (now) this.#remember(now);
	}

	#remember(before: Scale | LengthWish): void {
		this.#past = [...this.#past.slice(-99), before];
		this.#future = [];
	}

	get canUndo(): boolean {
		return this.#past.length > 0;
	}

	undo(): void {
		const last = this.#past.at(-1);
		if (last === undefined) return;
		const now = this.work === 'length' ? this.length : this.scale;
		if (now) this.#future.push(now);
		this.#past = this.#past.slice(0, -1);
		this.#restore(last);
	}

	redo(): void {
		const next = this.#future.pop();
		const now = this.work === 'length' ? this.length : this.scale;
		if (!next || !now) return;
		this.#past = [...this.#past, now];
		this.#restore(next);
	}

	#restore(to: Scale | LengthWish): void {
		if ('path' in to) this.length = to;
		else this.scale = to;
		this.#keepLength();
		this.try();
		if (!('path' in to)) this.#keepSoon();
	}

	#forgetLength(): void {
		const page = this.reading.looked?.page.path;
		if (page !== undefined) keepLength(this.#site.id, page, null);
	}

	#keepLength(): void {
		const page = this.reading.looked?.page.path;
		if (page !== undefined && this.work === 'length') keepLength(this.#site.id, page, this.length);
	}

	#keepSoon(): void {
		clearTimeout(this.#keeping);
		this.#keeping = setTimeout(() => {
			const { scale } = this;
			if (scaleProblems(scale).length === 0) void this.#site.kept.scale.keep(() => [scale], 'the scale');
		}, QUIET);
	}

	/** Puts what is set in force in all frames. */
	try(): void {
		const { declared } = this;
		this.refusal = null;
		if (this.work === 'sizes' || this.problems.length > 0 || declared.length === 0) return this.#set(null);
		const desk = deskOf(this.#site);
		const refused =
			takeOutAll(desk, this.#out) ??
			writeSizes({ desk, files: this.files, home: this.into }, declared, this.#comment());
		this.refusal = refused ?? null;
		const does = this.work === 'scale' ? 'the type scale' : `${this.length?.property ?? ''}, fluid`;
		const edit = refused ? null : desk.working.edit(does);
		this.#set(edit && edit.files.some(({ changes }) => changes.length > 0) ? edit : null);
	}

	#set(edit: Edit | null): void {
		this.edit = edit;
		tryEdit(this.#site.texts, edit);
	}

	#comment(): string {
		const { length } = this;
		if (this.work !== 'length' || !length?.comment) return '';
		return judgedWords(
			length,
			this.tried.filter((one) => one !== this.lengthText)
		);
	}

	/** Writes what is tried into the sheet, as one step that an undo there takes back. */
	write(): boolean {
		const { edit } = this;
		if (!edit) return false;
		this.#set(null);
		this.#out = [];
		applyEdit(this.#site.texts, edit);
		this.written = edit.files.find(({ changes }) => changes.length > 0)?.path ?? '';
		if (this.work === 'length') this.#forgetLength();
		this.work = 'sizes';
		return true;
	}

	/** Takes back what was written last, where nothing was written since. */
	takeBack(): void {
		if (this.written !== '') undoIn(this.#site.texts, this.written);
		this.written = '';
	}

	/** Lets go of what is tried: the frames are as before. */
	drop(): void {
		this.#out = [];
		if (this.work === 'length') this.#forgetLength();
		this.work = 'sizes';
		this.#set(null);
	}

	/** Declarations elsewhere that win over what is tried. */
	readonly winners: readonly Winner[] = $derived.by(() => {
		const { now: read, looked } = this.reading;
		if (!read || !looked || !this.edit) return [];
		const found = new Map<string, Winner>();
		for (const { selector, property } of this.declared) {
			if (property !== 'font-size' && this.work === 'scale') continue;
			for (const index of read.hits.get(selector) ?? []) {
				for (const { from, up } of read.sizing.length(index, property).sources) {
					if (!from || up > 0 || isOf(from, selector)) continue;
					const offset = looked.page.inFile(from.file, from.span.start);
					const key = `${from.file}:${offset}`;
					const known = found.get(key);
					const name = nameAt(looked.page.page, read.paths[index] ?? [], '');
					found.set(key, {
						from: { ...from, span: { start: offset, end: offset + from.span.end - from.span.start } },
						file: from.file,
						offset,
						count: (known?.count ?? 0) + 1,
						name: known?.name ?? name
					});
				}
			}
		}
		return [...found.values()];
	});

	/** The first element whose text size the rules of a selector decide at every width; undefined where there is none. */
	holding(selector: string): ElementPath | undefined {
		const { now: read } = this.reading;
		const index = (read?.hits.get(selector) ?? []).find((one) =>
			read?.sizing.size(one).sources.every(({ from, up }) => up === 0 && isOf(from, selector))
		);
		return index === undefined ? undefined : read?.paths[index];
	}

	/** Takes a declaration that wins elsewhere out along with what is written. */
	takeOut(winner: Winner): void {
		this.#out = [...this.#out, winner.from];
		this.try();
	}

	/** The texts whose size is another with what is tried than before it. */
	readonly changed: readonly ElementPath[] = $derived.by(() => {
		const { now: read, before } = this.reading;
		if (!this.edit || !read || !before || read === before) return [];
		const keyOf = ({ size }: ReadText): string => (size.curve ? curveKey(size.curve) : '');
		const was = new Map(before.texts.map((text) => [text.path.join('.'), keyOf(text)]));
		return read.texts.flatMap((text) =>
			(was.get(text.path.join('.')) ?? '') === keyOf(text) ? [] : [text.path]
		);
	});

	/** Custom properties of the scale that a sheet has for something that is no length. */
	#namesTaken(): { field: string; sentence: string }[] {
		return this.files.flatMap((file) => {
			const text = this.#site.texts.get(file)?.text ?? '';
			const sheet = parseSheet(text);
			return this.#declaredByScale.flatMap(({ property, step }) => {
				if (!property.startsWith('--') || !text.includes(property)) return [];
				const other = givenBy(sheet, property)
					.map(({ value }) => sliceOf(text, value))
					.find((value) => !/var\(/.test(value) && this.#curveOf(value) === null);
				const sentence = `“${property}” is already in use for something else: \`${other ?? ''}\` (${file}). Choose another pattern.`;
				return other === undefined ? [] : [{ field: `role.${step ?? property}`, sentence }];
			});
		});
	}

	#curveOf(text: string): Curve | null {
		const lead = this.reading.looked?.lead;
		if (text === '' || !lead) return null;
		const size = lineOver(READ, line(rationalFromNumber(this.root.px)));
		const { heights } = lengthContext(lead);
		const found = curveOfText(text, { over: READ, em: size, rem: size, heights });
		return found.kind === 'curve' ? found.curve : null;
	}

	/** The curve of a step of the scale. */
	stepCurve({ narrow, wide }: Step): Curve {
		const { narrow: from, wide: to } = this.scale;
		return curveOfFluid(
			{ from: { width: from.width, size: narrow }, to: { width: to.width, size: wide } },
			READ
		);
	}
}
