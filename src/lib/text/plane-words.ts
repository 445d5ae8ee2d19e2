import type { Plane } from '$core/record';

const WINDS = [
	'north',
	'north-east',
	'east',
	'south-east',
	'south',
	'south-west',
	'west',
	'north-west'
];

/** The direction a plane faces: "south-west"; "level" where it has no tilt. */
export function facing({ tilt, azimuth }: Pick<Plane, 'tilt' | 'azimuth'>): string {
	return tilt === 0 ? 'level' : WINDS[Math.round(azimuth / 45) % 8]!;
}

/** "East roof: 25°, facing east". */
export function planeWords(plane: Pick<Plane, 'name' | 'tilt' | 'azimuth'>): string {
	const lies = plane.tilt === 0 ? 'level' : `${plane.tilt}°, facing ${facing(plane)}`;
	return `${plane.name}: ${lies}`;
}
