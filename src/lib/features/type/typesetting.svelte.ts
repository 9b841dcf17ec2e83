import type { Candidate } from '$lib/core/cascade/index.ts';
import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
import { rationalFromNumber, toNumber } from '$lib/core/interval/index.ts';
import { curveOfText, line, lineOver, valueOn, type Curve } from '$lib/core/length/index.ts';
import { lengthContext } from '$lib/core/media/index.ts';
import {
	curveOfFluid,
	declarationsOf,
	endsOf,
	recognise,
	scaleProblems,
	sizedAt,
	stepsOf,
	type Declared,
	type Recognised,
	type Step
} from '$lib/core/scale/index.ts';
import { chain, DONE, refusalOf, type Edit, type Refusal } from '$lib/core/text/index.ts';
import { deskOf, linesOf, type FileLines } from '$lib/session/desk.ts';
import { checkLength, judgedWords, keptLength, type Judged } from './fluidLength.ts';
import { writeSizes } from '$lib/writing/sizeEdit.ts';
import { READ } from '$lib/inquiry/sizes.ts';
import { decidedBy, resized, winnersOver, type Winner } from './decidedSizes.ts';
import { countElsewhere, type Elsewhere } from './elsewhere.ts';
import { Setting, type Work } from './setting.svelte.ts';
import { takenNames } from './takenNames.ts';
import type { SizesRequest } from './typeReading.svelte.ts';
import { tryEdit } from '$lib/session/trying.ts';
import { takeOutAll } from '$lib/writing/declaration.ts';

/**
 * The sizes of a page as they are, and as they are being set: tried in all frames until they are written or
 * discarded.
 */
export class Typesetting extends Setting {
	/** The sheet for new declarations; '' for the page's first that is not given. */
	home = $state('');
	refusal = $state.raw<Refusal | null>(null);
	edit = $state.raw<Edit | null>(null);
	/** The file that was written last, where that can be undone; '' for none. */
	written = $state('');
	/** The step that wrote into it. */
	#step: number | undefined;
	/** The number of elements, and of other pages, that the written rules match. */
	elsewhere = $state.raw<Elsewhere | null>(null);
	/** Whether something is being dragged: sizes are read again when it is released. */
	dragged = $state(false);
	/** Declarations elsewhere that are removed as well, by file and offset. */
	#out = $state.raw<readonly Candidate[]>([]);

	/** The handwritten sheets of the page, in order. */
	readonly files: readonly string[] = $derived.by(() => {
		const own =
			this.reading.looked?.page.sheets.flatMap(({ from }) => (from.kind === 'file' ? from.path : [])) ?? [];
		return [...new Set(own)].filter((path) => !this.site.given.has(path));
	});
	readonly into: string = $derived.by(() =>
		this.files.includes(this.home) ? this.home : (this.files[0] ?? '')
	);
	readonly #declaredByScale: readonly Declared[] = $derived.by(() =>
		scaleProblems(this.scale).length > 0 ? [] : declarationsOf(this.scale, this.root.px)
	);
	/** What is invalid, by field. */
	readonly problems = $derived.by(() => {
		if (this.work === 'scale') return [...scaleProblems(this.scale), ...this.#namesTaken()];
		const checked = this.work === 'length' && this.length ? checkLength(this.length) : DONE;
		return checked.ok ? [] : [{ field: 'length', sentence: checked.sentence }];
	});
	readonly steps: readonly Step[] = $derived.by(() =>
		scaleProblems(this.scale).length > 0 ? [] : stepsOf(this.scale)
	);
	/** The scale that the sizes of levels and paragraphs form, if they form one. */
	readonly found: Recognised | undefined = $derived.by(() => {
		const levels = this.reading.levels('before');
		const ends = endsOf(levels.map(({ curve }) => curve));
		const { narrow, wide } = ends ?? { narrow: this.scale.narrow.width, wide: this.scale.wide.width };
		const sized = levels.flatMap(({ name, curve }) => sizedAt(name, curve, narrow, wide) ?? []);
		const body = sized.find(({ name }) => name === 'p');
		const found = body && recognise(sized, body);
		return found && { ...found, ends: { narrow, wide } };
	});
	readonly lengthCurve = $derived.by(() => this.#curveOf(this.lengthText));
	readonly declared: readonly Declared[] = $derived.by(() => {
		if (this.problems.length > 0) return [];
		if (this.work === 'scale') return this.#declaredByScale;
		const { length } = this;
		if (this.work !== 'length' || !length) return [];
		const { selector, property } = length;
		return [{ selector, property, value: this.lengthText, fallback: '', step: null }];
	});
	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.site, this.edit));

	/** Whether an edit is to be tried again once another page has been read without it. */
	#again = false;

	/** Reads the sizes again; on another page first without the edit being tried, which is then tried again. */
	async look(looked: SizesRequest, selectors: readonly string[], signal: AbortSignal): Promise<void> {
		if (this.edit && this.reading.looked?.page.path !== looked.page.path) {
			this.#again = true;
			// This changes the sources, whose change calls it again.
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

	/** Counts what the written selectors match on other pages. */
	async count(signal: AbortSignal): Promise<void> {
		const { looked } = this.reading;
		const selectors = [...new Set(this.declared.map(({ selector }) => selector))].filter(
			(one) => one !== ':root'
		);
		if (!looked || !this.edit || selectors.length === 0) {
			this.elsewhere = null;
			return;
		}
		const found = await countElsewhere(this.site, looked, selectors);
		if (!signal.aborted) this.elsewhere = found;
	}

	/** Chooses what is to be set. */
	choose(work: Work): void {
		this.work = work;
		this.written = '';
		this.clearHistory();
		this.#out = [];
		this.try();
	}

	/** Begins to set a length of an element, starting from its values at both ends. */
	begin(path: ElementPath, property: string): void {
		const { before: read, looked } = this.reading;
		if (!read || !looked) return;
		const size = read.sizing.length(read.indexOf(path), property);
		const source = size.sources.findLast(({ up, from }) => up === 0 && from?.hit);
		const kept = keptLength(this.site.id, looked.page.path);
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

	/** Tries what is set in all frames. */
	try(): void {
		const { declared } = this;
		this.refusal = null;
		if (this.work === 'sizes' || this.problems.length > 0 || declared.length === 0) return this.#set(null);
		const desk = deskOf(this.site);
		const written = chain(takeOutAll(desk, this.#out), () =>
			writeSizes({ desk, files: this.files, home: this.into }, declared, this.#comment())
		);
		this.refusal = refusalOf(written);
		const summary = this.work === 'scale' ? 'the type scale' : `${this.length?.property ?? ''}, fluid`;
		const edit = written.ok ? desk.working.edit(summary) : null;
		this.#set(edit && edit.files.some(({ changes }) => changes.length > 0) ? edit : null);
	}

	#set(edit: Edit | null): void {
		this.edit = edit;
		tryEdit(this.site.texts, edit);
	}

	#comment(): string {
		const { length } = this;
		if (this.work !== 'length' || !length?.comment) return '';
		return judgedWords(
			length,
			this.tried.filter((one) => one !== this.lengthText)
		);
	}

	/** Writes the edit into the sheet, as one step that an undo there reverts. */
	write(): boolean {
		const { edit } = this;
		if (!edit) return false;
		this.#set(null);
		this.#out = [];
		this.#step = this.site.history.make(edit);
		this.written = edit.files.find(({ changes }) => changes.length > 0)?.path ?? '';
		if (this.work === 'length') this.forgetLength();
		this.work = 'sizes';
		return true;
	}

	/** Undoes the last writing, where nothing was written since. */
	takeBack(): void {
		if (this.#step === this.site.history.newest) this.site.history.undo();
		this.written = '';
	}

	/** Discards the edit: the frames are as before. */
	drop(): void {
		this.#out = [];
		if (this.work === 'length') this.forgetLength();
		this.work = 'sizes';
		this.#set(null);
	}

	/** Declarations elsewhere that beat the edit. */
	readonly winners: readonly Winner[] = $derived.by(() => {
		const { now: read, looked } = this.reading;
		if (!read || !looked || !this.edit) return [];
		const isScale = this.work === 'scale';
		const tried = this.declared.filter(({ property }) => property === 'font-size' || !isScale);
		return winnersOver(read, looked.page, tried);
	});

	/**
	 * The first element whose text size the rules with a selector decide at every width; undefined where there is none.
	 */
	holding(selector: string): ElementPath | undefined {
		const { now: read } = this.reading;
		return read ? decidedBy(selector, read) : undefined;
	}

	/** Has a declaration that wins elsewhere removed with the next writing. */
	takeOut(winner: Winner): void {
		this.#out = [...this.#out, winner.from];
		this.try();
	}

	/** The texts whose size the edit changes. */
	readonly changed: readonly ElementPath[] = $derived.by(() => {
		const { now: read, before } = this.reading;
		return this.edit && read && before && read !== before ? resized(before, read) : [];
	});

	/** Custom properties of the scale that a sheet already defines as something other than a length. */
	#namesTaken(): { field: string; sentence: string }[] {
		const isLength = (value: string): boolean => this.#curveOf(value) !== null;
		return this.files.flatMap((file) =>
			takenNames(file, this.site.texts.get(file)?.text ?? '', this.#declaredByScale, isLength)
		);
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
