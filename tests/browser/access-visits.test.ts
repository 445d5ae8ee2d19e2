import { canBeUsed } from './access';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';

canBeUsed([
	`${VISIT}/inspection`,
	`${VISIT}/test-plan`,
	`${VISIT}/isolation`,
	'/visits/019a8001-0000-7000-8000-000000000004/make-safe?task=dead',
	'/visits/019a8001-0000-7000-8000-000000000004/measure',
	`${VISIT}/test-conditions`,
	`${VISIT}/measurements`,
	`${VISIT}/measurements?quantity=fuse-resistance`,
	`${VISIT}/combiner`,
	`${VISIT}/curves`,
	`${VISIT}/instruments`,
	`${VISIT}/comparison`,
	`${VISIT}/diagnosis`,
	`${VISIT}/diagnosis?mode=free`,
	'/visits/019a8001-0000-7000-8000-000000003004/trace',
	`${VISIT}/repair?at=019a8000-0000-7000-8000-000000000014`,
	`${VISIT}/strings/019a8000-0000-7000-8000-000000000011?light=3.all.30&fault=module-missing&size=3&on=open`,
	`${VISIT}/report`
]);
