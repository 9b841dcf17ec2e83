/** A place of a file; a new object each time it is to be shown. */
export interface FilePlace {
	readonly path: string;
	/** Offset in its text, UTF-16 units. */
	readonly offset: number;
	/** Whether it is shown without moving the keyboard focus. */
	readonly aside?: boolean;
	/** Whether the focus goes beside the text rather than into it, so that single keys keep working. */
	readonly beside?: boolean;
}
