import { diffArrays } from 'diff';
import iconv from 'iconv-lite';
import type { Codec, SharedLines } from '$lib/core/text/index.ts';

export const codec: Codec = {
	knows: (encoding) => iconv.encodingExists(encoding),
	decode: (bytes, encoding) => iconv.decode(Buffer.from(bytes), encoding, { stripBOM: false }),
	encode: (text, encoding) => iconv.encode(text, encoding)
};

export const sharedLines: SharedLines = (before, after) => {
	const runs: { before: number; after: number; count: number }[] = [];
	let a = 0;
	let b = 0;
	for (const part of diffArrays([...before], [...after])) {
		if (part.added) b += part.count;
		else if (part.removed) a += part.count;
		else {
			runs.push({ before: a, after: b, count: part.count });
			a += part.count;
			b += part.count;
		}
	}
	return runs;
};
