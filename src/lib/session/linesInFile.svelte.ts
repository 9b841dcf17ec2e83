import type { LineInFile } from '../core/minified/index.ts';
import { reader } from './reader.ts';
import type { FileText } from './texts.svelte.ts';

interface Known {
	readonly text: string;
	/** Undefined until the answer has come. */
	readonly lines: readonly LineInFile[] | undefined;
}

/** Where the lines of laid-out texts are in their files, worked out in a thread when first asked for. */
export class LinesInFile {
	readonly #known = new WeakMap<FileText, Known>();
	/** Changes with every answer that comes. */
	#answers = $state(0);

	/** Undefined for a text that is not laid out, and until the lines of the present text are known. */
	of(file: FileText): readonly LineInFile[] | undefined {
		const { ownLines: own, text, saved, kind } = file;
		if (!own) return undefined;
		void this.#answers;
		const known = this.#known.get(file);
		if (known?.text === text) return known.lines;
		this.#known.set(file, { text, lines: undefined });
		reader.linesInFile(text, kind, { text: saved, own }).then(
			(lines) => {
				if (this.#known.get(file)?.text !== text) return;
				this.#known.set(file, { text, lines });
				this.#answers++;
			},
			// Places are then named in the layout only; the next look asks again.
			() => void this.#known.delete(file)
		);
		return undefined;
	}
}
