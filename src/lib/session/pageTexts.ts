import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageRequest } from '../workers/requests.ts';
import type { Texts, TextSender } from '../workers/texts.ts';

/** A page of some texts, as a vantage. */
export interface PageTexts {
	readonly path: string;
	readonly texts: Texts;
	readonly as: SeenVantage;
}

/** A page as it is handed to a thread. */
export const sent = ({ path, texts, as }: PageTexts, sender: TextSender): PageRequest => ({
	path,
	texts: sender.send(texts)[0],
	as
});
