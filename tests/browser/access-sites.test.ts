import { canBeUsed } from './access';

const SITE = '/sites/019a8000-0000-7000-8000-000000000002';

canBeUsed([
	'/',
	'/sites/new',
	SITE,
	`${SITE}/array-record`,
	`${SITE}/array-record/module-types/019a8000-0000-7000-8000-000000000001`,
	`${SITE}/array-record/strings/019a8000-0000-7000-8000-000000000010`,
	`${SITE}/array-record/parts/019a8000-0000-7000-8000-000000000505`,
	`${SITE}/survey`,
	`${SITE}/map`,
	`${SITE}/diagram`,
	`${SITE}/checks`,
	`${SITE}/revisions`,
	`${SITE}/lists`,
	`${SITE}/marks`,
	`${SITE}/emergency`,
	'/backup',
	'/search?q=module',
	'/training',
	'/training/one-string/1',
	'/library',
	'/library/new?kind=module',
	'/library/new?kind=inverter',
	`${SITE}/history`,
	`${SITE}/rates`
]);
