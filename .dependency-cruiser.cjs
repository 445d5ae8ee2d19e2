/** What may reach what; the picture is in docs/architecture.md. */

/** Rooms of the core and the rooms each may import. */
const ROOMS = {
	units: [],
	module: ['units'],
	circuit: ['units', 'module'],
	conditions: ['units', 'module', 'circuit'],
	expectation: ['units', 'module', 'circuit', 'conditions'],
	faults: ['units', 'module', 'circuit', 'conditions', 'expectation'],
	rules: ['units', 'module', 'circuit', 'expectation'],
	trace: ['units', 'module', 'circuit', 'conditions', 'expectation', 'faults', 'rules'],
	bench: ['units', 'module', 'circuit', 'expectation', 'rules'],
	production: ['units', 'module', 'circuit', 'expectation'],
	drill: ['units', 'module', 'circuit', 'conditions', 'expectation', 'faults', 'rules', 'trace'],
	document: ['units', 'module', 'circuit', 'conditions', 'expectation']
};

const TEST = '\\.test\\.ts$';

module.exports = {
	forbidden: [
		{
			name: 'no-circles',
			severity: 'error',
			from: {},
			to: { circular: true }
		},
		{
			name: 'core-reaches-core-alone',
			comment: 'The core is pure: itself and Zod, nothing else.',
			severity: 'error',
			from: { path: '^src/core/', pathNot: TEST },
			to: { pathNot: ['^src/core/', '^node_modules/zod/'] }
		},
		{
			name: 'zod-at-the-edge',
			comment: 'Only the file formats know Zod.',
			severity: 'error',
			from: { path: '^src/core/', pathNot: '^src/core/document/' },
			to: { path: '^node_modules/zod/' }
		},
		...Object.entries(ROOMS).map(([room, may]) => ({
			name: `room-${room}`,
			severity: 'error',
			from: { path: `^src/core/${room}/`, pathNot: TEST },
			to: { path: '^src/core/', pathNot: `^src/core/(${[room, ...may].join('|')})/` }
		})),
		{
			name: 'lib-does-not-reach-routes',
			severity: 'error',
			from: { path: '^src/(lib|core|cli)/' },
			to: { path: '^src/routes/' }
		},
		{
			name: 'screens-do-not-reach-the-server',
			severity: 'error',
			from: { path: '^src/lib/(ui|workers|charts|offline)/' },
			to: { path: '^src/lib/server/' }
		},
		{
			name: 'workers-and-cli-are-thin',
			severity: 'error',
			from: { path: '^src/(lib/workers|cli)/' },
			to: { path: '^src/lib/(ui|charts)/' }
		},
		{
			name: 'core-has-no-orphans',
			severity: 'error',
			from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', TEST] },
			to: {}
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsConfig: { fileName: 'tsconfig.json' },
		webpackConfig: { fileName: '.dependency-cruiser.aliases.cjs' },
		tsPreCompilationDeps: true,
		enhancedResolveOptions: {
			exportsFields: ['exports'],
			conditionNames: ['import', 'node', 'default', 'types', 'svelte']
		}
	}
};
