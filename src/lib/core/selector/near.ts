import { nearest } from '../text/index.ts';
import { isSpace, next, T, textOf, tokensOf } from '../css/tokens.ts';

/** A selector close to the one written, and how it differs. */
export interface NearMiss {
	readonly selector: string;
	readonly how: string;
}

/** What the site's pages have names for. */
export interface Names {
	readonly classes: readonly string[];
	readonly ids: readonly string[];
}

interface Part {
	/** The combinator before it: '' for the first, ' ' for a descendant. */
	readonly by: string;
	readonly compound: string;
}

/** A selector's compounds with the combinators before them. */
function partsOf(selector: string): Part[] {
	const tokens = tokensOf(selector.trim());
	const parts: Part[] = [];
	let by = '';
	let compound = '';
	const close = (): void => {
		if (compound !== '') parts.push({ by, compound });
		if (compound !== '') by = ' ';
		compound = '';
	};
	for (let i = 0; i < tokens.count; i = next(tokens, i)) {
		const text = tokens.source.slice(tokens.starts[i], tokens.starts[next(tokens, i)]);
		if (isSpace(tokens, i)) close();
		else if (tokens.types[i] === T.Delim && /^[>+~]$/.test(text)) {
			close();
			by = text;
		} else compound += text;
	}
	close();
	return parts;
}

const joined = (parts: readonly Part[]): string =>
	parts
		.map(({ by, compound }) => (by === '' ? compound : by === ' ' ? ` ${compound}` : ` ${by} ${compound}`))
		.join('');

const replaced = (parts: readonly Part[], i: number, ...by: readonly Part[]): string =>
	joined([...parts.slice(0, i), ...by, ...parts.slice(i + 1)]);

/**
 * Selectors that may have been meant by one that matches nothing: with a space more or less, another level between,
 * `.` instead of `#`, a name with a wrong letter; and its longest beginnings that match.
 */
export function nearMisses(selector: string, names: Names): NearMiss[] {
	const parts = partsOf(selector);
	const found: NearMiss[] = [];
	const put = (one: string, how: string): void => {
		if (one !== '' && one !== joined(parts) && !found.some((other) => other.selector === one)) {
			found.push({ selector: one, how });
		}
	};
	parts.forEach(({ by, compound }, i) => {
		const before = parts[i - 1];
		if (/^[>+~]$/.test(by)) {
			put(
				replaced(parts, i, { by: ' ', compound }),
				by === '>' ? 'something stands between' : 'it is not straight after it'
			);
		}
		if (before && by === ' ' && /^[.#[:]/.test(compound)) {
			const together = { by: before.by, compound: before.compound + compound };
			put(joined([...parts.slice(0, i - 1), together, ...parts.slice(i + 1)]), 'without the space');
		}
		const tokens = tokensOf(compound);
		for (let t = 0; t < tokens.count; t = next(tokens, t)) {
			const at = tokens.starts[t] as number;
			const text = textOf(tokens, t);
			const isId = tokens.types[t] === T.Hash;
			const isClass = tokens.types[t] === T.Delim && text === '.' && tokens.types[t + 1] === T.Ident;
			if (!isId && !isClass) continue;
			const name = isId ? text.slice(1) : textOf(tokens, t + 1);
			const end = at + name.length + 1;
			const swap = (put: string): Part => ({
				by,
				compound: compound.slice(0, at) + put + compound.slice(end)
			});
			if (at > 0) {
				put(
					replaced(
						parts,
						i,
						{ by, compound: compound.slice(0, at) },
						{ by: ' ', compound: compound.slice(at) }
					),
					'with a space'
				);
			}
			put(replaced(parts, i, swap(isId ? `.${name}` : `#${name}`)), isId ? 'it is a class' : 'it is an id');
			const known = isId ? names.ids : names.classes;
			const close = known.includes(name) ? undefined : nearest(name, known);
			if (close !== undefined)
				put(
					replaced(parts, i, swap(`${isId ? '#' : '.'}${close}`)),
					`no page has ${text.slice(0, 1)}${name}`
				);
		}
	});
	for (let count = parts.length - 1; count > 0; count--) {
		put(joined(parts.slice(0, count)), `the part before ${joined(parts.slice(count)).trim()}`);
	}
	return found;
}
