import { chainCurrent, chainConductance, chainOf, type Chain } from './chain';
import { diodeCurrent, type DiodeModel } from './diode';
import { risingRoot, type Slope } from '../numerics';
import { EvenSubstring, type CellGroup, type Part, type Solution } from './substring';

/**
 * A section whose cells stand in different light: one row of cells, or the two rows of a half-cut
 * module in parallel, each a series of groups in one light; with its bypass across all.
 *
 * The unknown is the volts of the section: the current of each row and of the bypass falls with it.
 */
export class UnevenSubstring implements Part {
	private readonly chains: readonly Chain[];

	/** @param rows groups of cells in series, by row */
	constructor(
		readonly rows: readonly (readonly CellGroup[])[],
		private readonly bypass: DiodeModel | null
	) {
		this.chains = rows.map((groups) =>
			chainOf(
				groups.map((group) => ({
					part: new EvenSubstring(group, null),
					count: 1,
					sign: 1
				})),
				0
			)
		);
	}

	solve(current: number, out: Solution): void {
		const slope: Slope = { value: 0, slope: 0 };
		const residual = (voltage: number, at: Slope) => {
			this.conduct(voltage, at);
			at.value = current - at.value;
			at.slope = -at.slope;
		};
		const voltage = risingRoot(residual, 0, 0.5);
		this.conduct(voltage, slope);
		out.voltage = voltage;
		out.slope = 1 / slope.slope;
	}

	/** Current of the section at its volts, and how it falls with them. */
	private conduct(voltage: number, out: Slope): void {
		let current = 0;
		let perVolt = 0;
		for (const chain of this.chains) {
			const through = chainCurrent(chain, voltage);
			current += through;
			perVolt += chainConductance(chain, through);
		}
		if (this.bypass) {
			diodeCurrent(this.bypass, -voltage, out);
			current += out.value;
			perVolt -= out.slope;
		}
		out.value = current;
		out.slope = perVolt;
	}

	/** Volts of every group of every row at the section's volts, V. */
	groupsAt(
		voltage: number
	): readonly (readonly { readonly volts: number; readonly amps: number }[])[] {
		const one: Solution = { voltage: 0, slope: 0 };
		return this.chains.map((chain) => {
			const current = chainCurrent(chain, voltage);
			return chain.parts.map(({ part }) => {
				part.solve(current, one);
				return { volts: one.voltage, amps: current };
			});
		});
	}
}
