import { messageOf, mostFrequent } from '../core/text/index.ts';
import { EditorView } from '@codemirror/view';
import type { Extension } from '@codemirror/state';
import { relativeAddress } from '../core/site/index.ts';
import { hostOf } from './host.ts';
import { addFile } from '../session/addFile.ts';
import type { SiteState } from '../session/site.svelte.ts';

/** The folder with most of the site's pictures. */
function pictureFolder({ files }: SiteState): string {
	const pictures = files.filter(({ kind }) => kind === 'picture');
	return mostFrequent(pictures.map(({ path }) => path.slice(0, path.lastIndexOf('/') + 1))) ?? 'img/';
}

const isPicture = ({ type }: { type: string }): boolean => type.startsWith('image/');

/** A file's name in a form that is easily written in an address. */
const plainName = (name: string): string => name.trim().replace(/[^\p{L}\p{N}._-]+/gu, '-');

async function bring(view: EditorView, kind: 'page' | 'sheet', picture: File): Promise<void> {
	const { site, path: file } = hostOf(view.state);
	try {
		const requested = pictureFolder(site) + plainName(picture.name);
		const { path, moved } = await addFile(site, requested, picture);
		const address = relativeAddress(path, file);
		const { from, to } = view.state.selection.main;
		const before = view.state.sliceDoc(Math.max(0, from - 6), from);
		const bare = kind === 'page' || /(url\(\s*)?["'(]$/i.test(before);
		const insert = bare ? address : `url("${address}")`;
		const write = (): void =>
			view.dispatch({
				changes: { from, to, insert },
				selection: { anchor: from + insert.length },
				userEvent: 'input.drop'
			});
		site.history.asOne(`${path} added`, write, { moved });
		site.actions.say(`${path} is in the site now.`);
	} catch (error) {
		site.actions.say(messageOf(error));
	}
}

/** A picture dropped onto a text is added to the site, and its address inserted at the caret. */
export const pictureDrop = (kind: 'page' | 'sheet'): Extension =>
	EditorView.domEventHandlers({
		drop(event, view) {
			const pictures = [...(event.dataTransfer?.files ?? [])].filter(isPicture);
			if (pictures.length === 0) return false;
			event.preventDefault();
			void pictures.reduce<Promise<void>>(
				(last, picture) => last.then(() => bring(view, kind, picture)),
				Promise.resolve()
			);
			return true;
		}
	});
