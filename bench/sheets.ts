/** A sheet of about so many characters, with a typical mixture of rules; its classes begin with a name. */
export function largeSheet(size: number, name = 'part'): string {
	let text = '';
	for (let i = 0; text.length < size; i++) {
		text += `/* part ${i} */\n.${name}-${i} > .inner:hover,\n.other-${i}::before {\n  color: rgb(1 2 3 / 50%);\n  margin: 0 calc(1px + ${i % 90}vw) auto;\n  background: url("img/x${i}.png") no-repeat center / cover;\n}\n@media (min-width: ${300 + (i % 1000)}px) {\n  .${name}-${i} { display: grid; grid-template-columns: 1fr 2fr; }\n}\n`;
	}
	return text;
}

/** Such sheets without a rule in common, so that caches of one do not help with the next. */
export function differentSheets(size: number): () => string {
	const sheets = Array.from({ length: 12 }, (_, i) => largeSheet(size, `p${i}art`));
	let next = 0;
	return () => sheets[next++ % sheets.length] ?? '';
}
