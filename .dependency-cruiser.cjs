/** What may reach what; the picture is in docs/architecture.md. */

/** Rooms of the core and the rooms each may import. */
const ROOMS = {
	units: [],
	message: [],
	numerics: [],
	module: ['units', 'numerics'],
	record: ['units', 'message', 'module'],
	circuit: ['numerics', 'module'],
	conditions: ['units', 'numerics', 'module'],
	visit: ['units', 'message', 'record', 'conditions'],
	expectation: ['units', 'numerics', 'module', 'record', 'circuit', 'conditions', 'visit'],
	faults: ['units', 'module', 'record', 'circuit', 'visit', 'expectation'],
	profiles: ['record', 'circuit'],
	'design-checks': ['units', 'module', 'record', 'circuit', 'expectation', 'profiles'],
	assessment: ['numerics', 'record', 'circuit', 'visit', 'expectation', 'profiles'],
	inspection: ['message', 'record', 'profiles', 'assessment'],
	isolation: [
		'units',
		'message',
		'record',
		'circuit',
		'visit',
		'expectation',
		'design-checks',
		'assessment'
	],
	'visit-plan': ['record', 'visit', 'profiles', 'assessment', 'inspection', 'isolation'],
	repair: ['record', 'visit', 'assessment'],
	diagnosis: [
		'units',
		'numerics',
		'module',
		'record',
		'circuit',
		'visit',
		'expectation',
		'faults',
		'design-checks',
		'assessment',
		'inspection',
		'isolation',
		'visit-plan'
	],
	bench: [
		'units',
		'numerics',
		'module',
		'record',
		'circuit',
		'conditions',
		'expectation',
		'design-checks'
	],
	monitoring: ['units', 'numerics', 'module', 'record', 'conditions', 'expectation'],
	training: [
		'units',
		'numerics',
		'module',
		'record',
		'circuit',
		'conditions',
		'visit',
		'expectation',
		'faults',
		'visit-plan',
		'diagnosis',
		'monitoring'
	],
	document: [
		'units',
		'module',
		'record',
		'circuit',
		'conditions',
		'visit',
		'expectation',
		'faults',
		'inspection',
		'repair',
		'bench',
		'monitoring'
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
		...Object.keys(ROOMS).map((room) => ({
			name: `face-of-${room}`,
			comment: 'What a room offers is in its index.ts; nobody else reaches past it.',
			severity: 'error',
			from: { pathNot: [`^src/core/${room}/`, '^tests/'] },
			to: { path: `^src/core/${room}/`, pathNot: `^src/core/${room}/index\\.ts$` }
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
			from: { path: '^src/lib/(ui|session|text|workers|charts)/' },
			to: { path: '^src/lib/server/' }
		},
		{
			name: 'workers-and-cli-are-thin',
			severity: 'error',
			from: { path: '^src/(lib/workers|cli)/' },
			to: { path: '^src/lib/(ui|session|charts)/' }
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
