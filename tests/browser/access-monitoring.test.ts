import { canBeUsed } from './access';

const WATCH = '/sites/019a8003-0000-7000-8000-000000000002/watch';

canBeUsed([
	WATCH,
	`${WATCH}/units/module%253A019a8003-0000-7000-8000-000000000011%253A8`,
	`${WATCH}/course`,
	`${WATCH}/clipping`,
	`${WATCH}/expected`,
	`${WATCH}/benchmark`,
	`${WATCH}/exports`,
	`${WATCH}/settings`,
	'/bench/logger'
]);
