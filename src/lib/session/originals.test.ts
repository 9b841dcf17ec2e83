import { expect, test, vi } from 'vitest';
import type { Original } from '../core/original/index.ts';
import { Originals } from './originals.svelte.ts';

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
	const answers: (() => Promise<Blob>)[] = [];
	const originals = new Originals(async () => answers.shift()?.() ?? new Blob());
	const list = [{ hash: 'h' } as Original];
	answers.push(() => Promise.reject(new Error('The server does not answer.')));
	originals.load(list);
	await vi.waitFor(() =>
		expect(originals.trouble).toBe('A picture did not come: The server does not answer.')
	);
	answers.push(() => Promise.resolve(new Blob()));
	originals.load(list);
	expect(originals.trouble).toBe('');
	await vi.waitFor(() => expect(originals.sources.get('h')).toBe('data:,x'));
	originals.load([]);
	expect(originals.sources.size).toBe(0);
});
