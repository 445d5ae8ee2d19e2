import { cellsByVoltage } from './nameplate-of';
import { NO_LABEL, type BatchNameplate, type BatchModule } from './module-batch';

/** Fill factor of a used silicon module and how far it may lie off; common practice, no source. */
const FILL_FACTOR = { usual: 0.73, uncertainty: 0.04 };
/** W/m2 of whole module that silicon of twenty years ago and of today gives; common practice, no source. */
const DENSITY = { least: 110, most: 230 };

/** What a module without a label seems to be: an estimate, never more. */
export interface TypeEstimate {
	/** As a label, so that it can be grouped and mixed. */
	readonly label: BatchNameplate;
	/** W and its standard uncertainty. */
	readonly power: number;
	readonly uncertainty: number;
	/** How it was come by, and what speaks against it. */
	readonly words: string;
}

/**
 * Type and power of an unlabelled module, from its readings brought to standard conditions and its size.
 *
 * @param voc open circuit at standard conditions, V
 * @param isc short circuit at standard conditions, A
 */
export function estimateType(
	voc: number,
	isc: number,
	size: BatchModule['size']
): TypeEstimate | null {
	if (!(voc > 1 && isc > 0.05)) return null;
	const cells = cellsByVoltage(voc, NO_LABEL);
	const power = FILL_FACTOR.usual * voc * isc;
	const area = size ? (size.length * size.width) / 1e6 : null;
	const density = area === null ? null : power / area;
	const fits = density === null || (density >= DENSITY.least && density <= DENSITY.most);
	const sized =
		density === null
			? 'Its size was not measured, so nothing checks it.'
			: fits
				? `By its size ${density.toFixed(0)} W/m², which is usual.`
				: `By its size ${density.toFixed(0)} W/m², which no usual module has: measure voltage and current again, or some of its cells are lost.`;
	return {
		label: {
			...NO_LABEL,
			cellsInSeries: cells,
			voc,
			isc,
			vmp: 0.8 * voc,
			imp: (FILL_FACTOR.usual / 0.8) * isc,
			pmax: power
		},
		power,
		uncertainty: power * (fits ? FILL_FACTOR.uncertainty / FILL_FACTOR.usual : 0.25),
		words: `About ${cells} cells in series and ${power.toFixed(0)} W, with a fill factor of ${FILL_FACTOR.usual} taken as usual. ${sized}`
	};
}
