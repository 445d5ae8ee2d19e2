import type { RecordMessages } from '$core/record';

/** What the American trade calls by other names. */
export const record = {
	'part.dc-disconnect': 'DC disconnect',
	'part.optimiser': 'Optimizer',
	'part.micro-inverter': 'Microinverter',
	'part.ac-disconnect': 'AC disconnect',
	'part.bus': 'Panelboard'
} as const satisfies Partial<Record<keyof RecordMessages, string>>;
