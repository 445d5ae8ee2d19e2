import { clearSky } from '../../conditions/clear-sky';
import { onPlane, type Plane } from '../../conditions/plane';
import { sunPosition, type Observer } from '../../conditions/sun';
import type { Times } from '../series/grid';

/** The sun is computed so often, ms, and drawn straight in between. */
const EVERY = 900_000;

/** Light that enters the glass of a plane under a clear sky, W/m2, in the middle of each step. */
export function clearSkyOn(observer: Observer, plane: Plane, times: Times): Float64Array {
	const light = new Float64Array(times.count);
	const at = (instant: number) => {
		const sun = sunPosition(instant, observer);
		return sun.zenith >= 90 ? 0 : onPlane(sun, plane, clearSky(sun)).effective;
	};
	if (times.step >= EVERY) {
		for (let t = 0; t < times.count; t++) light[t] = at(times.start + t * times.step);
		return light;
	}
	let knot = Number.NaN;
	let low = 0;
	let high = 0;
	for (let t = 0; t < times.count; t++) {
		const instant = times.start + t * times.step;
		const below = Math.floor(instant / EVERY) * EVERY;
		if (below !== knot) {
			low = below === knot + EVERY ? high : at(below);
			high = at(below + EVERY);
			knot = below;
		}
		light[t] = low + ((high - low) * (instant - below)) / EVERY;
	}
	return light;
}
