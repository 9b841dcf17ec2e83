import { defaultTreeAdapter, Parser, type DefaultTreeAdapterMap, type DefaultTreeAdapterTypes } from 'parse5';
import type { Steps } from '../steps/index.ts';

/** How much of a page is read: elements, including the contents of templates, and how deeply they may be nested. */
export const PAGE_LIMITS = { elements: 200_000, open: 1024 } as const;

/** How deep engines let a tree grow; deeper elements become siblings (Blink: 512, with the document). */
const DEEPEST = 511;

type Placed = DefaultTreeAdapterTypes.Node & { depth?: number };

class Full extends Error {}

export interface Bounded {
	readonly document: DefaultTreeAdapterTypes.Document;
	/** True where the page exceeds what is read; everything before that has been read. */
	readonly cut: boolean;
	/** True where an element has an attribute twice. */
	readonly duplicateAttributes: boolean;
}

/**
 * Parses a page's source (HTML §13.2, scripting off), within the limits, in time and memory proportional to its
 * length.
 *
 * @param piece how much of the source one step reads, UTF-16 units
 */
export function* parseBounded(source: string, piece = 8192): Steps<Bounded> {
	let document = defaultTreeAdapter.createDocument();
	let duplicateAttributes = false;
	let count = 0;
	let open = 0;
	try {
		const parser = new Parser<DefaultTreeAdapterMap>({
			sourceCodeLocationInfo: true,
			scriptingEnabled: false,
			onParseError: ({ code }) => {
				if (code === 'duplicate-attribute') duplicateAttributes = true;
			},
			treeAdapter: {
				...defaultTreeAdapter,
				createDocument: () => (document = defaultTreeAdapter.createDocument()),
				createElement(...of) {
					if (++count > PAGE_LIMITS.elements) throw new Full();
					return defaultTreeAdapter.createElement(...of);
				},
				appendChild(parent, node) {
					let at: Placed = parent;
					while ((at.depth ?? 0) >= DEEPEST && 'parentNode' in at && at.parentNode) at = at.parentNode;
					(node as Placed).depth = (at.depth ?? 0) + 1;
					defaultTreeAdapter.appendChild(at as DefaultTreeAdapterTypes.ParentNode, node);
				},
				onItemPush() {
					if (++open > PAGE_LIMITS.open) throw new Full();
				},
				onItemPop() {
					open--;
				}
			}
		});
		for (let at = 0; at < source.length; at += piece) {
			parser.tokenizer.write(source.slice(at, at + piece), false);
			yield;
		}
		parser.tokenizer.write('', true);
	} catch (error) {
		if (!(error instanceof Full)) throw error;
		return { document, cut: true, duplicateAttributes };
	}
	return { document, cut: false, duplicateAttributes };
}
