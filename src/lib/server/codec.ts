import iconv from 'iconv-lite';
import type { Codec } from '$lib/core/text/index.ts';

export const codec: Codec = {
	knows: (encoding) => iconv.encodingExists(encoding),
	decode: (bytes, encoding) => iconv.decode(Buffer.from(bytes), encoding, { stripBOM: false }),
	encode: (text, encoding) => iconv.encode(text, encoding)
};
