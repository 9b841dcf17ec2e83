/**
 * Whether a sheet names a source map, and so was compiled (ECMA-426, source map §11.1.2): edits to it are lost with
 * the next compilation.
 */
export const isCompiled = (text: string): boolean =>
	/\/\*[#@]\s*sourceMappingURL=[^*]+\*\/\s*$/.test(text.slice(-200_000));
