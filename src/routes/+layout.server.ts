import { optionsFrom, stageToken } from '$lib/server/front/front.ts';
import type { StageConfig } from '$lib/stage/client/stage.ts';

export const load = (): { stages: StageConfig } => {
	const { stagePattern, key } = optionsFrom(process.env);
	return { stages: { pattern: stagePattern, token: stageToken(key) } };
};
