import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageRequest } from '../workers/requests.ts';
import type { Texts, TextSender } from '../workers/texts.ts';

/** A page with its texts, in a vantage. */
export interface PageTexts {
	readonly path: string;
	readonly texts: Texts;
	readonly as: SeenVantage;
}

/** A page as sent to a thread. */
export const sent = ({ path, texts, as }: PageTexts, sender: TextSender): PageRequest => ({
	path,
	texts: sender.send(texts)[0],
	as
});
