import { chainAmps, chainConductance, chainOf, type Chain } from './chain';
import { diodeAmps, type DiodeModel } from './diode';
import { risingRoot, type Slope } from '../numerics';
import { EvenSection, type CellGroup, type Part, type Solution } from './section';

/**
 * A section whose cells stand in different light: one row of cells, or the two rows of a half-cut
 * module in parallel, each a series of groups in one light; with its bypass across all.
 *
 * The unknown is the volts of the section: the current of each row and of the bypass falls with it.
 */
export class UnevenSection implements Part {
	private readonly chains: readonly Chain[];

	/** @param rows groups of cells in series, by row */
	constructor(
		readonly rows: readonly (readonly CellGroup[])[],
		private readonly bypass: DiodeModel | null
	) {
		this.chains = rows.map((groups) =>
			chainOf(
				groups.map((group) => ({
					part: new EvenSection(group, null),
					count: 1,
					sign: 1
				})),
				0
			)
		);
	}

	solve(amps: number, out: Solution): void {
		const slope: Slope = { value: 0, slope: 0 };
		const residual = (volts: number, at: Slope) => {
			this.conduct(volts, at);
			at.value = amps - at.value;
			at.slope = -at.slope;
		};
		const volts = risingRoot(residual, 0, 0.5);
		this.conduct(volts, slope);
		out.volts = volts;
		out.slope = 1 / slope.slope;
	}

	/** Current of the section at its volts, and how it falls with them. */
	private conduct(volts: number, out: Slope): void {
		let amps = 0;
		let perVolt = 0;
		for (const chain of this.chains) {
			const through = chainAmps(chain, volts);
			amps += through;
			perVolt += chainConductance(chain, through);
		}
		if (this.bypass) {
			diodeAmps(this.bypass, -volts, out);
			amps += out.value;
			perVolt -= out.slope;
		}
		out.value = amps;
		out.slope = perVolt;
	}

	/** Volts of every group of every row at the section's volts, V. */
	groupsAt(
		volts: number
	): readonly (readonly { readonly volts: number; readonly amps: number }[])[] {
		const one: Solution = { volts: 0, slope: 0 };
		return this.chains.map((chain) => {
			const amps = chainAmps(chain, volts);
			return chain.parts.map(({ part }) => {
				part.solve(amps, one);
				return { volts: one.volts, amps };
			});
		});
	}
}
