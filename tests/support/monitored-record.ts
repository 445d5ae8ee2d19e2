import { type ArrayRecord, EMPTY_RECORD } from '$core/record';
import { field, lintwhite370, part, row, string } from '../../demo/site';

const id = (n: number) => `019c0000-0004-7000-8000-${String(n).padStart(12, '0')}`;

/** Two branches of six modules with a unit each, serials and device codes, and an inverter beside them. */
export function testRecord(): ArrayRecord {
	const modules = (branch: number) =>
		Array.from({ length: 6 }, (_, i) => ({
			number: i + 1,
			serial: `SN-000${branch * 6 + i + 1}`,
			deviceCode: `DEV${branch * 6 + i + 1}`,
			year: null,
			state: null,
			moduleTypeId: null
		}));
	return {
		...EMPTY_RECORD,
		system: 'micro-inverters',
		inServiceSince: 2022,
		moduleTypes: [lintwhite370(id(1))],
		strings: ['K1', 'K2'].map((label, branch) =>
			string({
				id: id(10 + branch),
				label,
				moduleTypeId: id(1),
				moduleCount: 6,
				devices: { kind: 'micro-inverter', modulesPerDevice: 1, part: id(3) },
				connectors: null,
				to: null,
				input: null,
				modules: modules(branch),
				spans: row(id(5), branch, 0, 6)
			})
		),
		fields: [field(id(5), 'Roof', 2, 6, 32, 140)],
		parts: [
			part(id(2), 'inverter', 'INV 1', { specs: { acWatts: 5000 } }),
			part(id(3), 'micro-inverter', 'MI', { specs: { acWatts: 290, modulesPerDevice: 1 } })
		]
	};
}
