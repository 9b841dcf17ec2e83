import { optionsFrom, stageHost } from '$lib/server/front/front.ts';
import type { StageConfig } from '$lib/stage/client/stage.ts';

export const load = (): { stages: StageConfig } => ({
	stages: { pattern: stageHost(optionsFrom(process.env), '{n}', '{site}') }
});
