import { proxy } from 'comlink';
import * as z from 'zod/mini';
import { know } from '../stage/client/know.ts';
import { liveFrames } from '../stage/client/live.ts';
import { openStage, openStageFrame, type StageConfig } from '../stage/client/stage.ts';
import type { ElementPath } from '../core/html/index.ts';
import { UNSEEN, type Unseen } from '../core/presence/index.ts';
import type { SpaceFound, PagePoint, Pin, SelectedIn, ShownOriginal } from '../stage/protocol.ts';
import type { BrowserEngine, Layout } from '../inquiry/layout.ts';
import { engineOf } from './engine.ts';
import type { Press } from './keys.ts';
import { Measurer } from './measurer.ts';
import { notify } from './notices.svelte.ts';
import { paced } from './paced.ts';
import type { Pick } from './selection.svelte.ts';

// Compiled schemas would need `eval`, which the application's policy forbids.
z.config({ jitless: true });

/** Messages of a stage are checked like anything from outside. */
const frameKey = z.object({
	key: z.string().check(z.maxLength(40)),
	shift: z.boolean(),
	ctrl: z.boolean(),
	alt: z.boolean(),
	meta: z.boolean(),
	typing: z.boolean(),
	up: z.boolean()
});

const length = z.number();
const sides = z.object({ top: length, right: length, bottom: length, left: length });
const path = z.array(z.int().check(z.nonnegative())).check(z.maxLength(1000));
const offset = z.int().check(z.nonnegative());
const pick = z.object({
	path,
	shift: z.boolean(),
	add: z.boolean(),
	again: z.boolean(),
	word: z.optional(z.object({ start: offset, end: offset }))
});
const frame = z.string().check(z.maxLength(200));
const point = z.object({ frame, x: length, y: length });
const pan = z.object({ frame, by: length });
const unseen = z.enum(Object.keys(UNSEEN) as Unseen[]);
const boxes = z.array(
	z.object({
		frame,
		unseen: z.array(z.nullable(unseen)),
		ladder: z.array(z.nullable(z.tuple([length, length]))),
		scroll: z.object({ x: length, y: length }),
		boxes: z.array(
			z.nullable(
				z.object({
					left: length,
					top: length,
					width: length,
					height: length,
					margin: sides,
					border: sides,
					padding: sides,
					room: z.nullable(length)
				})
			)
		)
	})
);
const numbers = z.array(z.nullable(z.number()));
const computed = z.map(z.string(), z.string());
const values = z.array(computed);
const answer = {
	matches: z.array(z.tuple([z.int(), z.union([z.number(), z.literal(Infinity)])])),
	containers: z.array(z.boolean()),
	computed
};
const answers = z.array(z.object(answer));
const containing = z.nullable(
	z.object({
		width: length,
		height: length,
		path: z.nullable(path),
		box: z.enum(['content', 'padding', 'area', 'window'])
	})
);
const moving = z.array(
	z.object({ property: z.string(), by: z.enum(['animation', 'transition']), name: z.string() })
);
const spaces = z.array(
	z.object({
		side: z.enum(['top', 'right', 'bottom', 'left']),
		length,
		margin: length,
		auto: z.boolean(),
		neighbour: z.nullable(length),
		collapses: z.boolean(),
		gap: length,
		padding: length,
		path: z.nullable(path)
	})
);
const facts = z.object({
	elements: z.array(
		z.object({
			...answer,
			path,
			tag: z.string(),
			parent: z.int(),
			words: z.boolean(),
			whole: z.boolean()
		})
	),
	hits: z.array(z.nullable(z.array(z.int().check(z.nonnegative()))))
});

/** The application's own browser lays out the pages too. */
let engine: BrowserEngine | undefined;

export type { StageConfig };

/** Handlers for messages of a stage. */
export interface StageTalk {
	press(press: Press): void;
	/** A link of a page was followed. */
	open(href: string): void;
	/** An element was clicked on. */
	pick(pick: Pick): void;
	/** A point of a page was clicked on. */
	point(point: PagePoint): void;
	/** The visible part of a frame is to be moved down its viewport, CSS px of it. */
	pan(frame: string, by: number): void;
	/** The boxes of the selection, whenever they change. */
	boxes(boxes: readonly SelectedIn[]): void;
}

/** The stages of a screen: the live frames, and those that measure out of sight. */
export interface Stages extends Layout {
	/** The prefix of addresses of a page's files. */
	readonly prefix: string;
	readonly live: ReturnType<typeof liveFrames>;
	/** Measures pages out of sight. */
	readonly measurer: Measurer;
	keepInStep(on: boolean): void;
	use(on: boolean): void;
	keylines(on: boolean): void;
	/** Outlines in every frame what a selector matches; '' for nothing. */
	outline(selector: string): void;
	select(paths: readonly ElementPath[], distances: boolean): void;
	pin(pins: readonly Pin[]): void;
	originals(shown: ReadonlyMap<string, ShownOriginal>): void;
	points(on: boolean, shown: readonly PagePoint[]): void;
	/** Brings an element of a frame into sight. */
	reveal(frame: string, path: ElementPath): void;
	/** The elements of a frame that a selector matches, in document order. */
	found(frame: string, selector: string): Promise<readonly ElementPath[]>;
	/** Every element of a frame that does not show, by its path as in addresses, and why. */
	unseen(frame: string): Promise<ReadonlyMap<string, Unseen>>;
	/** How many elements of a frame each selector matches; null for an invalid one. */
	hits(frame: string, selectors: readonly string[]): Promise<readonly (number | null)[]>;
	/**
	 * How many elements of each page, by its text, each selector matches; pages are parsed on the stage, outside of
	 * frames.
	 */
	reach(
		pages: ReadonlyMap<string, string>,
		selectors: readonly string[]
	): Promise<ReadonlyMap<string, readonly (number | null)[]>>;
	/** Which of the selectors match an element of a frame. */
	matching(frame: string, path: ElementPath, selectors: readonly string[]): Promise<readonly boolean[]>;
	/** The space at each side of an element of a frame. */
	spaces(frame: string, path: ElementPath): Promise<readonly SpaceFound[]>;
	close(): void;
}

const TOGETHER =
	'This browser does not reach stage hosts (*.localhost): frames share the application’s process, so heavy pages may slow the typing, and addresses that begin with / are not found.';

const LOST = 'A page had left its frame; it was loaded again.';

/** Opens the stage of the live frames, and a queue whose stages open when something is to be measured. */
export async function openStages(
	parent: HTMLElement,
	site: number,
	config: StageConfig,
	talk: StageTalk
): Promise<Stages> {
	const stage = await openStage(parent, site, 0, config);
	if (!stage.apart) notify(TOGETHER);
	/** An address on the stage as one from the root of the site; others unchanged. */
	function inSite(href: string): string {
		const { origin } = new URL(stage.iframe.src);
		const path = href.startsWith(`${origin}/`) ? href.slice(origin.length) : href;
		return path.startsWith(stage.prefix) ? `/${path.slice(stage.prefix.length)}` : path;
	}
	// Messages arrive in order, so that nothing has to wait for this one.
	void stage.host.listen(
		proxy({
			key(key: unknown) {
				const press = frameKey.safeParse(key);
				if (press.success) talk.press(press.data);
			},
			open(href: unknown) {
				const read = z.string().check(z.maxLength(4000)).safeParse(href);
				if (read.success) talk.open(inSite(read.data));
			},
			lost() {
				notify(LOST, true);
			},
			pick(picked: unknown) {
				const read = pick.safeParse(picked);
				if (read.success) talk.pick(read.data);
			},
			point(sent: unknown) {
				const read = point.safeParse(sent);
				if (read.success) talk.point(read.data);
			},
			pan(frame: unknown, by: unknown) {
				const read = pan.safeParse({ frame, by });
				if (read.success) talk.pan(read.data.frame, read.data.by);
			},
			boxes(sent: unknown) {
				const read = boxes.safeParse(sent);
				if (read.success) talk.boxes(read.data);
			}
		})
	);
	const measurer = new Measurer({
		site,
		prefix: stage.prefix,
		stages: stage.apart ? Math.max(1, Math.min(8, navigator.hardwareConcurrency - 1)) : 1,
		async open(n) {
			const room = document.createElement('div');
			room.style.cssText = 'position:absolute;inset:0;visibility:hidden;pointer-events:none';
			parent.append(room);
			const frame = await openStageFrame(room, site, n, config);
			return { ...frame, close: () => room.remove() };
		}
	});
	/** The texts of pages that the stage has. */
	const known = new Map<string, string>();
	let closed = false;
	return {
		prefix: stage.prefix,
		live: liveFrames(stage),
		keepInStep: (on) => void stage.host.keepInStep(on),
		use: (on) => void stage.host.use(on),
		outline(selector) {
			// Outlines are often removed by a component that is destroyed together with the stages.
			if (!closed) void stage.host.outline(selector);
		},
		keylines: (on) => void stage.host.keylines(on),
		select: (paths, distances) => void stage.host.select(paths, distances),
		originals: (shown) => void stage.host.originals(shown),
		points: (on, shown) => void stage.host.points(on, shown),
		pin: (pins) => void stage.host.pin(pins),
		reveal: (frame, path) => void stage.host.reveal(frame, path),
		found: async (frame, selector) => z.array(path).parse(await stage.host.found(frame, selector)),
		unseen: async (frame) => z.map(z.string(), unseen).parse(await stage.host.unseen(frame)),
		hits: async (frame, selectors) => numbers.parse(await stage.host.hits(frame, selectors)),
		async reach(pages, selectors) {
			const changed = new Map([...pages].filter(([path, text]) => known.get(path) !== text));
			for (const [path, text] of changed) known.set(path, text);
			await know(stage, changed);
			const paths = [...pages.keys()];
			const counts = z.array(numbers).parse(await stage.host.reach(paths, selectors));
			return new Map(paths.map((path, i) => [path, counts[i] ?? []]));
		},
		matching: async (frame, path, selectors) =>
			z.array(z.boolean()).parse(await stage.host.matching(frame, path, selectors)),
		engine: (engine ??= engineOf(document)),
		pace: paced,
		measurer,
		async *askAt(job) {
			for await (const { facts: found, computed: values, ...one } of measurer.askAt(job))
				yield { ...one, reported: found && { facts: facts.parse(found), computed: computed.parse(values) } };
		},
		read: (job) => measurer.read(job),
		ask(asked, containers) {
			void stage.host.ask(asked, containers);
			measurer.ask(asked, containers);
		},
		cascade: async (frame, path, pseudo) => answers.parse(await stage.host.cascade(frame, path, pseudo)),
		containing: async (frame, path) => containing.parse(await stage.host.containing(frame, path)),
		spaces: async (frame, path) => spaces.parse(await stage.host.spaces(frame, path)),
		moving: async (frame, path) => moving.parse(await stage.host.moving(frame, path)),
		facts: async (frame, sought, most, longhands) =>
			facts.parse(await stage.host.facts(frame, sought, most, longhands)),
		computed: async (frame, paths) => values.parse(await stage.host.computed(frame, paths)),
		close() {
			closed = true;
			measurer.close();
			stage.close();
		}
	};
}
