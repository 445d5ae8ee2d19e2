/** What may reach what; the picture is in docs/architecture.md. */

/** Rooms of the core and the rooms each may import. */
const ROOMS = {
	units: [],
	module: ['units'],
	record: ['units', 'module'],
	circuit: ['units', 'module', 'record'],
	conditions: ['units', 'module', 'record', 'circuit'],
	expectation: ['units', 'module', 'record', 'circuit', 'conditions'],
	faults: ['units', 'module', 'record', 'circuit', 'conditions', 'expectation'],
	rules: ['units', 'module', 'record', 'circuit', 'expectation', 'faults'],
	trace: ['units', 'module', 'record', 'circuit', 'conditions', 'expectation', 'faults', 'rules'],
	bench: ['units', 'module', 'record', 'circuit', 'conditions', 'expectation', 'rules'],
	production: ['units', 'module', 'record', 'circuit', 'conditions', 'expectation'],
	drill: [
		'units',
		'module',
		'record',
		'circuit',
		'conditions',
		'expectation',
		'faults',
		'rules',
		'trace',
		'production'
	],
	document: [
		'rules',
		'units',
		'module',
		'record',
		'circuit',
		'conditions',
		'expectation',
		'faults',
		'bench',
		'production'
	]
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
			from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', '/\\+page\\.ts$', TEST] },
			to: {}
		}
	],
	options: {
		// What tests reach is their own affair, and nothing reaches them.
		exclude: { path: TEST },
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
