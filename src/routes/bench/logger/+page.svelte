<script lang="ts">
	import {
		CONTINUOUS,
		dividerVoltage,
		type Logged,
		shuntCurrent,
		shuntDissipation,
		shuntResistance
	} from '$core/monitoring';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';

	const percent = { min: 0, max: 50, unit: '± %' } as const;
	const form = new FigureForm({
		bits: { min: 4, max: 32, unit: '', whole: true, words: 'Bits', first: '12' },
		reference: { min: 0.1, max: 50, unit: 'V', words: 'Full scale', first: '3.3' },
		referencePct: { ...percent, words: 'Full scale is within', first: '0.5' },
		offCounts: { min: 0, max: 1000, unit: 'counts', words: 'Offset and linearity', first: '4' },
		upper: { min: 1, max: 1e9, unit: 'ohm', words: 'Upper resistor', first: '220000' },
		lower: { min: 1, max: 1e9, unit: 'ohm', words: 'Lower resistor', first: '10000' },
		tolerancePct: { ...percent, words: 'Each is within', first: '0.1' },
		dividerVolts: { min: 0, max: 50, unit: 'V', words: 'Volts at the converter', first: '2.1' },
		ratedAmps: { min: 0.01, max: 10_000, unit: 'A', words: 'Shunt rated', first: '50' },
		ratedMillivolts: { min: 1, max: 1000, unit: 'mV', words: 'drops', first: '75' },
		shuntPct: { ...percent, words: 'Shunt is within', first: '0.5' },
		gain: { min: 0.1, max: 10_000, unit: 'x', words: 'Amplifier', first: '40' },
		gainPct: { ...percent, words: 'Gain is within', first: '0.5' },
		shuntVolts: { min: 0, max: 50, unit: 'V', words: 'Volts at the converter', first: '1.2' }
	});
	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const shunt = {
			ratedAmps: f.ratedAmps,
			ratedMillivolts: f.ratedMillivolts,
			tolerancePct: f.shuntPct,
			gain: f.gain,
			gainPct: f.gainPct
		};
		const voltage = dividerVoltage(f.dividerVolts, f, f);
		const current = shuntCurrent(f.shuntVolts, shunt, f);
		const power = voltage.value * current.value;
		return {
			volts: voltage,
			amps: current,
			watts: power,
			powerUncertainty: Math.hypot(
				voltage.uncertainty * current.value,
				current.uncertainty * voltage.value
			),
			ohms: shuntResistance(shunt),
			heat: shuntDissipation(current.value, shunt),
			over: [
				...(f.dividerVolts >= f.reference
					? ['The divider’s converter is at its end: the true volts may be anything above.']
					: []),
				...(f.shuntVolts >= f.reference
					? ['The shunt’s converter is at its end: the true amps may be anything above.']
					: []),
				...(current.value > CONTINUOUS * f.ratedAmps
					? [
							`${current.value.toFixed(1)} A is more than two thirds of the shunt’s ${f.ratedAmps} A: it gets hot and drifts (common practice).`
						]
					: [])
			]
		};
	});
	/** As many decimals as the uncertainty has two figures. */
	function figure(value: number, { uncertainty }: Pick<Logged, 'uncertainty'>): string {
		const digits = Math.max(0, Math.min(6, 1 - Math.floor(Math.log10(uncertainty || 1))));
		return value.toFixed(digits);
	}
</script>

{#snippet told(name: string, logged: Logged, unit: string)}
	<dt>{name}</dt>
	<dd class="figure" data-logged={unit}>{figure(logged.value, logged)} {unit}</dd>
	<dt>within, as two in three</dt>
	<dd class="figure">± {figure(logged.uncertainty, logged)} {unit}</dd>
	<dt>within at the worst</dt>
	<dd class="figure">± {figure(logged.worst, logged)} {unit}</dd>
	<dt>one count is</dt>
	<dd class="figure">{Number(logged.count.toPrecision(2))} {unit}</dd>
	<dt>ends at</dt>
	<dd class="figure">{figure(logged.most, logged)} {unit}</dd>
{/snippet}

<Question
	title="Logger arithmetic"
	lead="For those who log with a small board: what a shunt and a divider say, and how far it may be off. Nothing here makes a divider fit for a string’s volts: use parts rated for them, behind a fuse, and a board that nobody touches."
>
	{#snippet asked()}
		<h2>The converter</h2>
		<FigureFields {form} keys={['bits', 'reference', 'referencePct', 'offCounts']} />
		<h2>The divider</h2>
		<FigureFields {form} keys={['upper', 'lower', 'tolerancePct', 'dividerVolts']} />
		<h2>The shunt</h2>
		<FigureFields
			{form}
			keys={['ratedAmps', 'ratedMillivolts', 'shuntPct', 'gain', 'gainPct', 'shuntVolts']}
		/>
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{#each worked.over as words (words)}
				<p class="notice" data-kind="error">{words}</p>
			{/each}
			<h2>Volts</h2>
			<dl class="facts">{@render told('On the line', worked.volts, 'V')}</dl>
			<h2>Amps</h2>
			<dl class="facts">
				{@render told('Through the shunt', worked.amps, 'A')}
				<dt>Shunt</dt>
				<dd class="figure">{(1000 * worked.ohms).toFixed(3)} mohm</dd>
				<dt>Heat in it</dt>
				<dd class="figure">{worked.heat.toFixed(2)} W</dd>
			</dl>
			<h2>Watts</h2>
			<dl class="facts">
				<dt>Volts times amps</dt>
				<dd class="figure" data-logged="W">
					{figure(worked.watts, { uncertainty: worked.powerUncertainty })} W
				</dd>
				<dt>within, as two in three</dt>
				<dd class="figure">
					± {figure(worked.powerUncertainty, { uncertainty: worked.powerUncertainty })} W
				</dd>
			</dl>
			<details>
				<summary>How</summary>
				<p class="soft">
					Volts are those at the converter times (upper + lower) / lower; amps are those volts over
					gain and shunt. Every limit is taken as rectangular and added in squares (JCGM 100:2008,
					4.3.7); half a count is always in uncertainty. Resistors may be off opposite ways, so
					theirs counts twice, by the upper one’s share.
				</p>
			</details>
		{:else}
			<p class="soft">Fill in the figures on the left.</p>
		{/if}
	{/snippet}
</Question>
