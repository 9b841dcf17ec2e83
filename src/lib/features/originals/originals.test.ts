import { expect, test, vi } from 'vitest';
import type { Original } from '$lib/core/original/index.ts';
import { originals } from './originals.svelte.ts';

const answers = vi.hoisted(() => [] as (() => Promise<Blob>)[]);
vi.mock('$lib/session/api.ts', () => ({ api: { original: () => answers.shift()?.() } }));
vi.stubGlobal(
	'FileReader',
	class {
		result = '';
		onload: () => void = () => undefined;
		readAsDataURL(): void {
			this.result = 'data:,x';
			this.onload();
		}
	}
);

test('a picture that does not come is said, and asked for again', async () => {
	const list = [{ hash: 'h' } as Original];
	answers.push(() => Promise.reject(new Error('The server does not answer.')));
	originals.load(1, list);
	await vi.waitFor(() =>
		expect(originals.trouble).toBe('A picture did not come: The server does not answer.')
	);
	answers.push(() => Promise.resolve(new Blob()));
	originals.load(1, list);
	expect(originals.trouble).toBe('');
	await vi.waitFor(() => expect(originals.sources.get('h')).toBe('data:,x'));
	originals.load(1, []);
	expect(originals.sources.size).toBe(0);
});
