import type { ElementPath } from '$lib/core/html/index.ts';
import type { Instead } from '$lib/inquiry/instead.ts';
import type { Trace } from '$lib/inquiry/trace.ts';
import type { SpaceFound } from '$lib/stage/protocol.ts';

/** The questions about an element whose box is shown. */
export interface BoxQuestions {
	/** Elements with the same content that are shown where the element is not. */
	readonly instead: (path: ElementPath) => Promise<readonly Instead[]>;
	/** The space at each side of an element in the lead. */
	readonly spaces: (path: ElementPath) => Promise<readonly SpaceFound[]>;
	readonly trace: (path: ElementPath) => Promise<Trace | null>;
}
