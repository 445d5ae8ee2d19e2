import { millisOf } from '../units';
import type { ModuleBatch, Take } from './module-batch';

/** Nobody measured the control for so long, min: then the sun has moved. Judgement. */
const CONTROL_EVERY = 10;

const lastOf = (takes: readonly Take[]) =>
	takes.reduce<Take | null>((last, one) => (last && last.at > one.at ? last : one), null);

/**
 * Why the control is to be measured before the next module, in words; null where it need not be.
 *
 * @param now the moment, ms since 1970-01-01 UTC
 */
export function referenceModuleDue({ control, modules }: ModuleBatch, now: number): string | null {
	if (!control) return null;
	const lastControl = lastOf(control.takes);
	if (!lastControl) return 'Measure the control first: its figures say what the sun gives.';
	const lastMeasurement = lastOf(modules.flatMap(({ takes }) => takes));
	if (!lastMeasurement || lastMeasurement.at < lastControl.at) return null;
	const minutes = (now - millisOf(lastControl.at)) / 60_000;
	if (minutes <= CONTROL_EVERY) return null;
	return `The control was measured ${minutes < 90 ? `${minutes.toFixed(0)} min` : 'long'} ago: take it again in between.`;
}
