import type { Engine } from '../core/cascade/index.ts';

const MOST_KNOWN = 20_000;

/** A browser's own word on declarations, by a style that is on no element: the frames run in the same browser. */
export function engineOf(document: Document): Engine {
	const { style } = document.createElement('i');
	const known = new Map<string, ReadonlyMap<string, string> | null>();
	const set = (property: string, value: string): ReadonlyMap<string, string> | null => {
		style.cssText = '';
		style.setProperty(property, value);
		if (style.length === 0) return null;
		return new Map([...style].map((longhand) => [longhand, style.getPropertyValue(longhand)]));
	};
	return {
		expand(property, value) {
			const key = `${property}:${value}`;
			let found = known.get(key);
			if (found === undefined) known.set(key, (found = set(property, value)));
			if (known.size > MOST_KNOWN) known.clear();
			return found;
		},
		knows: (property) => set(property, 'initial') !== null,
		// What a browser lists as computed has second names of longhands among them.
		longhands: [...(document.defaultView?.getComputedStyle(document.documentElement) ?? [])].filter((name) =>
			set(name, 'initial')?.has(name)
		)
	};
}
