import type { Logger } from 'pino';

declare global {
	namespace App {
		interface Locals {
			log: Logger;
		}
		interface PageState {
			/** The selection of an entry of the browser's history, by its number. */
			selection?: number;
		}
	}
}
