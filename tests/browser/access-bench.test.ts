import { canBeUsed } from './access';

const BATCH = '/bench/batches/019a8002-0000-7000-8000-000000007fff';

canBeUsed([
	'/bench',
	'/bench/module',
	'/bench/battery',
	'/bench/wire',
	'/bench/scale',
	'/bench/worth',
	BATCH,
	`${BATCH}/group`,
	`${BATCH}/configuration?of=1%2B2%2B5+%7C+10%2B11%4020&fuse=12`,
	`${BATCH}/stickers`
]);
