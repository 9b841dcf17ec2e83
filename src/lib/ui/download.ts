/** Offers a text for download as a file. */
export function download(name: string, text: string, type: string): void {
	const href = URL.createObjectURL(new Blob([text], { type }));
	const link = document.createElement('a');
	link.href = href;
	link.download = name.replaceAll('/', '-');
	link.click();
	setTimeout(() => URL.revokeObjectURL(href));
}
