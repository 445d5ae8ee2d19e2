import type { PartKind } from '$core/record';

/**
 * Symbols of parts as strokes in a field of 40 x 28, leads at the left and right at half height; after
 * the symbols of IEC 60617 where there is one, drawn anew.
 */
export const PART_SYMBOLS: Readonly<Record<PartKind, string>> = {
	combiner: 'M6 3h28v22H6zM0 8h6M0 20h6M12 8h8v12M12 20h8M20 14h14M34 14h6',
	'dc-disconnect': 'M0 14h11M29 14h11M11 14L27 5M29 11v6M11 12v4',
	'rapid-shutdown-device': 'M9 6h22v16H9zM0 14h9M31 14h9M20 10v5M16.5 11.5a5 5 0 1 0 7 0',
	transmitter:
		'M8 8h24v14H8zM0 15h8M32 15h8M14 5a8.5 8.5 0 0 1 12 0M17 3a5 5 0 0 1 6 0M13 15q3.5-6 7 0t7 0',
	optimiser: 'M9 5h22v18H9zM0 14h9M31 14h9M13 19l6-10M22 10h5M22 18h5',
	'micro-inverter': 'M9 5h22v18H9zM0 14h9M31 14h9M9 23L31 5M12 9h6M22 20q1.5-3 3 0t3 0',
	inverter: 'M6 2h28v24H6zM0 14h6M34 14h6M6 26L34 2M10 7h7M10 10h7M22 21q2-4 4 0t4 0',
	'charge-controller': 'M6 2h28v24H6zM0 14h6M34 14h6M6 26L34 2M10 7h7M23 19h7M23 22h7',
	battery: 'M0 14h13M13 5v18M18 9v10M22 5v18M27 9v10M27 14h13',
	'ac-disconnect': 'M0 14h11M29 14h11M11 14L27 5M29 11v6M11 12v4M16 22q2-4 4 0t4 0',
	breaker: 'M0 14h11M29 14h11M11 14L27 5M27 12l4 4M31 12l-4 4',
	bus: 'M0 14h8M8 4v20M8 8h24M8 14h24M8 20h24M26 6v4M26 12v4M26 18v4',
	meter: 'M0 14h9M31 14h9M20 3a11 11 0 1 0 .01 0zM13 17l4-6 3 6 3-6 4 6',
	surge: 'M20 1v6M14 7h12v14H14zM20 21v4M14 25h12M16 27h8M17 11l3 5 3-5',
	conductor: 'M0 14h40M12 9l6 10M20 9l6 10',
	placard: 'M5 5h30v18H5zM10 11h20M10 16h13'
};
