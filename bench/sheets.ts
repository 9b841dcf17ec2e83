/** A sheet of about so many characters, of the usual mixture. */
export function largeSheet(size: number): string {
	let text = '';
	for (let i = 0; text.length < size; i++) {
		text += `/* part ${i} */\n.part-${i} > .inner:hover,\n.other-${i}::before {\n  color: rgb(1 2 3 / 50%);\n  margin: 0 calc(1px + ${i % 90}vw) auto;\n  background: url("img/x${i}.png") no-repeat center / cover;\n}\n@media (min-width: ${300 + (i % 1000)}px) {\n  .part-${i} { display: grid; grid-template-columns: 1fr 2fr; }\n}\n`;
	}
	return text;
}
