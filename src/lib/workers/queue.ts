import { proxy, type Remote } from 'comlink';
import { LRUCache } from 'lru-cache';
import { rememberedWith } from '../core/remember/index.ts';
import { hangs } from '../core/sweep/index.ts';
import type { LayoutJob, Measured, PageContent, Read, StageHost, Viewport } from '../stage/protocol.ts';

/** A stage that measures. */
export interface MeasuringStage {
	readonly host: Pick<Remote<StageHost>, 'measure' | 'read' | 'ask'>;
	close(): void;
}

export interface Job extends LayoutJob {
	/** Called with a stage before it measures. */
	readonly ready?: (stage: MeasuringStage) => void;
}

/** What a stage does at each width of a job: it reports the whole layout, or the findings in it. */
type LayoutReport = Measured | Read;
type Way = (
	host: MeasuringStage['host'],
	content: PageContent,
	viewport: Viewport,
	widths: readonly number[],
	report: (layout: LayoutReport) => void
) => Promise<void>;

const measured: Way = (host, content, viewport, widths, report) =>
	host.measure(content, viewport, widths, proxy(report));
const read: Way = (host, content, viewport, widths, report) =>
	host.read(content, viewport, widths, proxy(report));

interface Task {
	readonly job: Job;
	readonly way: Way;
	readonly key: string;
	readonly widths: readonly number[];
	readonly report: (layout: LayoutReport) => void;
	readonly done: () => void;
	readonly failed: (error: unknown) => void;
}

/** Widths that a stage measures at a time: a waiting job of greater priority waits no longer than that. */
const CHUNK = 8;
/** How long a stage may be silent while it measures, ms, before it counts as hanging. */
const SILENCE = 20_000;
/** Snapshots cached by content: at most so many, and so many bytes of their columns. */
const [KEPT, KEPT_BYTES] = [600, 32 * 2 ** 20];

const bytesOf = ({ snapshot }: Measured): number =>
	Object.values(snapshot).reduce<number>(
		(sum, column) => sum + (ArrayBuffer.isView(column) ? column.byteLength : 0),
		0
	);

/** A 53-bit hash of a text, for distinguishing contents (a mixing of two multiplicative hashes). */
function hash(text: string): number {
	let a = 0xdeadbeef;
	let b = 0x41c6ce57;
	for (let i = 0; i < text.length; i++) {
		const code = text.charCodeAt(i);
		a = Math.imul(a ^ code, 2654435761);
		b = Math.imul(b ^ code, 1597334677);
	}
	a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
	b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
	return 4294967296 * (2097151 & b) + (a >>> 0);
}

/** The key of a content; a content is one object as long as it stays the same. */
const keyOf = rememberedWith(
	(content: PageContent) => content,
	(content) => {
		const text = JSON.stringify(content);
		return `${hash(text)}:${text.length}`;
	}
);

const contentKey = ({ content, viewport }: Job): string =>
	`${keyOf(content)}:${viewport.height}:${viewport.density}`;

function deferred(): { promise: Promise<void>; resolve: () => void } {
	let resolve: () => void = () => undefined;
	const promise = new Promise<void>((done) => (resolve = done));
	return { promise, resolve };
}

function silenceAlarm(): { rings: Promise<void>; wind: () => void; stop: () => void } {
	let timer: ReturnType<typeof setTimeout> | undefined;
	const { promise: rings, resolve: ring } = deferred();
	const stop = (): void => clearTimeout(timer);
	const wind = (): void => {
		stop();
		timer = setTimeout(() => ring(), SILENCE);
	};
	wind();
	return { rings, wind, stop };
}

/**
 * Measures pages on stages of their own: jobs wait by priority, stages take a few widths at a time, results are
 * cached by content, a stage that hangs is reopened and its widths are measured once more; a width at which it hangs
 * again is given up.
 */
export function measuringQueue(open: (n: number) => Promise<MeasuringStage>, stages: number) {
	const waiting: Task[] = [];
	const kept = new LRUCache<string, Measured>({
		max: KEPT,
		maxSize: KEPT_BYTES,
		sizeCalculation: (measured) => Math.max(1, bytesOf(measured))
	});
	let closed = false;
	/** Called when the queue is closed, so that nothing waits forever. */
	const closers = new Set<() => void>();
	const isOver = (job: Job): boolean => closed || job.signal?.aborted === true;
	const workers = Array.from({ length: stages }, (_, i) => ({
		n: i + 1,
		stage: null as MeasuringStage | null,
		busy: false
	}));

	/** The most urgent of the waiting tasks; those no longer wanted are finished. */
	function next(): Task | undefined {
		for (let i = waiting.length - 1; i >= 0; i--) {
			const task = waiting[i];
			if (!task || !isOver(task.job)) continue;
			waiting.splice(i, 1);
			task.done();
		}
		let best = -1;
		waiting.forEach((task, i) => {
			if (best === -1 || (task.job.priority ?? 0) > (waiting[best]?.job.priority ?? 0)) best = i;
		});
		return best === -1 ? undefined : waiting.splice(best, 1)[0];
	}

	async function perform(worker: (typeof workers)[number], task: Task): Promise<void> {
		const left = new Set(task.widths);
		/** The width at which a stage hung last. */
		let hung: number | undefined;
		while (left.size > 0 && !isOver(task.job)) {
			const stage = (worker.stage ??= await open(worker.n));
			if (closed) {
				stage.close();
				return;
			}
			const alarm = silenceAlarm();
			const { promise: heard, resolve: hearing } = deferred();
			const hear = (layout: LayoutReport): void => {
				alarm.wind();
				left.delete(layout.width);
				if ('snapshot' in layout) kept.set(`${task.key}@${layout.width}`, layout);
				if (!isOver(task.job)) task.report(layout);
				if (left.size === 0) hearing();
			};
			const { content, viewport, ready } = task.job;
			ready?.(stage);
			const { promise: closing, resolve: end } = deferred();
			closers.add(end);
			const work = task.way(stage.host, content, viewport, [...left], hear);
			// Reports come through a port of their own: the last may come after the final answer.
			const finished = await Promise.race([
				Promise.all([work, heard]).then(() => true),
				alarm.rings.then(() => false),
				closing.then(() => true)
			]);
			alarm.stop();
			closers.delete(end);
			if (finished) return;
			stage.close();
			worker.stage = null;
			const [width] = left;
			if (width !== undefined && width === hung) {
				if (!task.job.onhung) throw new Error(hangs(width));
				task.job.onhung(width);
				left.delete(width);
			}
			hung = width;
		}
	}

	function pump(): void {
		for (const worker of workers) {
			if (worker.busy || closed) continue;
			const task = next();
			if (!task) return;
			worker.busy = true;
			void perform(worker, task)
				.then(task.done, task.failed)
				.finally(() => {
					worker.busy = false;
					pump();
				});
		}
	}

	/**
	 * Has the stages do a job; yields each width's result as it comes, in no fixed order. Ends early when aborted or
	 * closed.
	 */
	async function* perWidth(
		job: Job,
		way: Way,
		known: (key: string, width: number) => LayoutReport | undefined
	) {
		const key = contentKey(job);
		const ready: LayoutReport[] = [];
		const missing: number[] = [];
		for (const width of job.widths) {
			const had = known(key, width);
			if (had) ready.push(had);
			else missing.push(width);
		}
		let wake: () => void = () => undefined;
		let open = 0;
		let failure: unknown;
		for (let i = 0; i < missing.length; i += CHUNK) {
			open++;
			waiting.push({
				job,
				way,
				key,
				widths: missing.slice(i, i + CHUNK),
				report: (layout) => {
					ready.push(layout);
					wake();
				},
				done: () => {
					open--;
					wake();
				},
				failed: (error) => {
					open--;
					failure = error;
					wake();
				}
			});
		}
		const wakeUp = (): void => wake();
		job.signal?.addEventListener('abort', wakeUp, { once: true });
		closers.add(wakeUp);
		pump();
		try {
			while (!isOver(job)) {
				const layout = ready.shift();
				if (layout) yield layout;
				else if (failure) throw failure;
				else if (open === 0) return;
				else await new Promise<void>((resolve) => (wake = resolve));
			}
		} finally {
			job.signal?.removeEventListener('abort', wakeUp);
			closers.delete(wakeUp);
		}
	}

	return {
		/** Measures a job's widths; cached results of the same content come at once. */
		async *measure(job: Job): AsyncGenerator<Measured> {
			const known = (key: string, width: number) => kept.get(`${key}@${width}`);
			for await (const layout of perWidth(job, measured, known)) if ('snapshot' in layout) yield layout;
		},
		/** Reads findings, or what is followed, at a job's widths. */
		async *read(job: Job): AsyncGenerator<Read> {
			for await (const layout of perWidth(job, read, () => undefined)) if ('readings' in layout) yield layout;
		},
		/** Ends every job, and closes the stages: none is opened any more. */
		close(): void {
			closed = true;
			for (const end of closers) end();
			for (const worker of workers) worker.stage?.close();
		}
	};
}
