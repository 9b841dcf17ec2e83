/**
 * Whether a sheet names the source map that it was compiled with (ECMA-426, source map §11.1.2): what is written in it
 * is lost with the next compilation.
 */
export const isCompiled = (text: string): boolean =>
	/\/\*[#@]\s*sourceMappingURL=[^*]+\*\/\s*$/.test(text.slice(-200_000));
