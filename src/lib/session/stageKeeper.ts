import type { SelectedIn } from '../stage/protocol.ts';
import { openStages, type StageConfig, type Stages, type StageTalk } from './stages.svelte.ts';

/** Called by stages for the screen that shows them. */
export type ScreenTalk = Omit<StageTalk, 'boxes'>;

const HERE = 'position:absolute;inset:0';
/** Where stages are while no screen shows them: laid out, but out of sight. */
const ASIDE = 'position:fixed;inset:0;visibility:hidden;pointer-events:none;z-index:-1';

const NOBODY: ScreenTalk = {
	press: () => undefined,
	open: () => undefined,
	pick: () => undefined,
	point: () => undefined,
	pan: () => undefined
};

/**
 * The stages of an open site: they stay open while screens change, each of which shows them at its own place. In a
 * browser that cannot move a frame without reloading it, each screen has its own.
 */
export class StageKeeper {
	readonly #site: number;
	readonly #boxes: (boxes: readonly SelectedIn[]) => void;
	#room: HTMLElement | undefined;
	#opened: Promise<Stages> | undefined;
	#talk = NOBODY;

	/** `boxes` gets the boxes of the selection, whichever screen shows the stages. */
	constructor(site: number, boxes: (boxes: readonly SelectedIn[]) => void) {
		this.#site = site;
		this.#boxes = boxes;
	}

	/** Shows the stages in a place, covering all of it, until that is left; their messages go to `talk`. */
	take(place: HTMLElement, config: StageConfig, talk: ScreenTalk): Promise<Stages> {
		if (this.#room?.isConnected && this.#opened) {
			this.#talk = talk;
			place.moveBefore(this.#room, null);
			this.#room.style.cssText = HERE;
			return this.#opened;
		}
		this.close();
		this.#talk = talk;
		const room = (this.#room = document.createElement('div'));
		room.style.cssText = HERE;
		place.append(room);
		const opening = openStages(room, this.#site, config, {
			press: (press) => this.#talk.press(press),
			open: (href) => this.#talk.open(href),
			pick: (pick) => this.#talk.pick(pick),
			point: (point) => this.#talk.point(point),
			pan: (frame, by) => this.#talk.pan(frame, by),
			boxes: this.#boxes
		});
		this.#opened = opening;
		opening.catch(() => {
			if (this.#opened === opening) this.#opened = undefined;
		});
		return opening;
	}

	/** Starts the thread that measures, so that it is ready when needed. */
	beginMeasuring(): void {
		void this.#opened?.then(
			({ measurer }) => measurer.begin(),
			() => undefined
		);
	}

	/** Hides the stages, unchanged, because their screen is left. */
	leave(): void {
		this.#talk = NOBODY;
		if (!this.#room?.isConnected) return;
		if (!('moveBefore' in document.body)) return this.close();
		document.body.moveBefore(this.#room, null);
		this.#room.style.cssText = ASIDE;
		void this.#opened?.then(
			(stages) => stages.outline(''),
			() => undefined
		);
	}

	/** Closes them. */
	close(): void {
		const [opened, room] = [this.#opened, this.#room];
		this.#opened = this.#room = undefined;
		this.#talk = NOBODY;
		void opened?.then(
			(stages) => stages.close(),
			() => undefined
		);
		room?.remove();
	}
}
