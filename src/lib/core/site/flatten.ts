import { addressesIn } from '../css/index.ts';
import { rememberedBy } from '../remember/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { addressOf, resolveAddress } from './address.ts';
import { importsOf, type ImportUse } from './imports.ts';
import type { Sources } from './sources.ts';

/**
 * A sheet's text in a form that fits one `<style>`: each `@import` that counts is replaced by the imported text
 * with its media, supports and layer as at-rules around it, and each address is resolved against its own file
 * and written from the site's root under `prefix` (ends in a slash). Imports that are not available are left out.
 */
export function flattenSheet(text: string, file: string, sources: Sources, prefix: string): string {
	return flatten(text, file, sources, prefix, [file]);
}

function flatten(
	text: string,
	file: string,
	sources: Sources,
	prefix: string,
	chain: readonly string[]
): string {
	const imports = new Map<number, ImportUse>();
	if (text.includes('@')) {
		for (const use of importsOf(sources.sheet(text), file)) imports.set(use.rule.span.start, use);
	}
	const changes: Change[] = [];
	for (const use of imports.values()) {
		const { start, end } = use.rule.span;
		const semicolon = text[end] === ';' ? 1 : 0;
		changes.push({ start, end: end + semicolon, text: imported(use, sources, prefix, chain) });
	}
	for (const { address, span, import: isImport } of addressesIn(text)) {
		const url = isImport ? '' : fromRoot({ address, file, prefix });
		if (url !== '') changes.push({ ...span, text: url });
	}
	return applyChanges(text, changes);
}

interface Written {
	readonly address: string;
	readonly file: string;
	readonly prefix: string;
}

/** Sheets repeat the same pictures, and every edit rewrites them all. */
const MOST_ADDRESSES = 5000;

/** The `url()` of an address from the site's root; '' for one that leads elsewhere. */
const fromRoot = rememberedBy(
	MOST_ADDRESSES,
	({ address, file, prefix }: Written) => `${prefix}\n${file}\n${address}`,
	({ address, file, prefix }) => {
		const target = resolveAddress(address, file);
		if (target.kind !== 'site') return '';
		const tail = /[?#].*$/s.exec(address)?.[0] ?? '';
		const path = addressOf(target.path, prefix).replace(
			/['()\\]/g,
			(c) => `%${c.charCodeAt(0).toString(16)}`
		);
		return `url("${path}${tail.replace(/["\\\n]/g, '')}")`;
	}
);

function imported(use: ImportUse, sources: Sources, prefix: string, chain: readonly string[]): string {
	const { parts, path } = use;
	const source = path === null || chain.includes(path) ? undefined : sources.text(path);
	if (path === null || source === undefined) return '';
	let text = flatten(source, path, sources, prefix, [...chain, path]) + sources.sheet(source).closing;
	if (parts.layer !== null) text = `@layer ${parts.layer} {\n${text}\n}`;
	if (parts.supports !== null) {
		const declaration = /^\s*[-\w]+\s*:/.test(parts.supports);
		text = `@supports ${declaration ? `(${parts.supports})` : parts.supports} {\n${text}\n}`;
	}
	return parts.media === '' ? text : `@media ${parts.media} {\n${text}\n}`;
}
