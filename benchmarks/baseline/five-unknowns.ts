import { solveBounded } from '$core/numerics';
import { type FitNameplate, saturationCurrentRatio, TECHNOLOGY_FACTS } from '$core/module';

const { bandGap } = TECHNOLOGY_FACTS['mono-PERC'];
const WARMING = 2;
const KELVIN = 298.15;

/**
 * A label's five parameters as the equations stand: all five unknown at once (IL, ln I0, Rs, 1/Rsh,
 * ln a), the usual starting values, the same solver as Zembo's.
 *
 * @returns largest relative miss of the five conditions
 */
export function fitFiveUnknowns(nameplate: FitNameplate): number {
	const { voc, isc, vmp, imp, alphaIscPctPerK = 0, betaVocPctPerK = 0 } = nameplate;
	const warmVoc = voc * (1 + ((betaVocPctPerK ?? 0) / 100) * WARMING);
	const i0Ratio = saturationCurrentRatio(bandGap, 25 + WARMING);
	const a0 = 1.1 * 0.025693 * nameplate.cellsInSeries;
	const solution = solveBounded(
		(p) => {
			const [il, lnI0, rs, g, lnA] = p as [number, number, number, number, number];
			const i0 = Math.exp(lnI0);
			const a = Math.exp(lnA);
			const miss = (voltage: number, current: number) => {
				const vd = voltage + current * rs;
				return il - i0 * Math.expm1(vd / a) - vd * g - current;
			};
			const vd = vmp + imp * rs;
			const slope = (i0 / a) * Math.exp(vd / a) + g;
			const aWarm = (a * (KELVIN + WARMING)) / KELVIN;
			const ilWarm = il + isc * ((alphaIscPctPerK ?? 0) / 100) * WARMING;
			return [
				miss(0, isc) / isc,
				miss(voc, 0) / isc,
				miss(vmp, imp) / isc,
				(slope * (vmp - imp * rs) - imp) / isc,
				(ilWarm - i0 * i0Ratio * Math.expm1(warmVoc / aWarm) - warmVoc * g) / isc
			];
		},
		[isc, Math.log(isc) - voc / a0, 0.2, 0.005, Math.log(a0)],
		[0.5 * isc, -80, 0, 1e-7, Math.log(a0 / 20)],
		[2 * isc, 0, (voc - vmp) / imp, (isc - imp) / vmp, Math.log(a0 * 20)]
	);
	return Math.max(...solution.residuals.map(Math.abs));
}
