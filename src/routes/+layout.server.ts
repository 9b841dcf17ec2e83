import { databaseNotice } from '$lib/server/database.ts';
import { optionsFrom, stageHost } from '$lib/server/front/front.ts';
import type { StageConfig } from '$lib/stage/client/stage.ts';

export const load = (): { stages: StageConfig; notice: string | null } => ({
	stages: { pattern: stageHost(optionsFrom(process.env), '{n}', '{site}') },
	notice: databaseNotice.sentence
});
