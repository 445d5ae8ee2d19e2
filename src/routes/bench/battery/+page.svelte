<script lang="ts">
	import {
		answerBattery,
		configurationOf,
		nameplateOf,
		NO_LABEL,
		shadeOnBattery,
		type TestedModule
	} from '$core/bench';
	import { BATCH_LIMITS } from '$core/document';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';

	const form = new FigureForm({
		vmp: { ...BATCH_LIMITS.vmp, words: 'Vmp of a module', first: '29.6' },
		imp: { ...BATCH_LIMITS.imp, words: 'Imp', first: '7.6' },
		voc: { ...BATCH_LIMITS.voc, words: 'Voc', first: '36.9' },
		isc: { ...BATCH_LIMITS.isc, words: 'Isc', first: '8.15' },
		series: { min: 1, max: 40, unit: '', whole: true, words: 'In series', first: '2' },
		strings: { min: 1, max: 20, unit: '', whole: true, words: 'Strings in parallel', first: '3' },
		battery: { min: 3, max: 800, unit: 'V', words: 'Battery while it charges', first: '52' },
		absorption: { min: 3, max: 900, unit: 'V', words: 'Absorption', first: '57.6' },
		capacity: { min: 1, max: 100_000, unit: 'Ah', words: 'Capacity', first: '220', optional: true },
		maxVolts: {
			min: 5,
			max: 1500,
			unit: 'V',
			words: 'Controller bears',
			first: '150',
			optional: true
		},
		chargeAmps: {
			min: 0.5,
			max: 1000,
			unit: 'A',
			words: 'Charges at most',
			first: '45',
			optional: true
		},
		lowest: { min: -60, max: 30, unit: '°C', words: 'Lowest air', first: '-22', optional: true },
		hottest: { min: 20, max: 100, unit: '°C', words: 'Hottest cells', first: '60' },
		light: { min: 1, max: 1400, unit: 'W/m²', words: 'Light now', first: '800' },
		cells: { min: -30, max: 100, unit: '°C', words: 'Cells now', first: '45' },
		left: { min: 0, max: 100, unit: '%', words: 'Sun left on a shaded module', first: '20' }
	});
	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const filled = nameplateOf({ ...NO_LABEL, vmp: f.vmp, imp: f.imp, voc: f.voc, isc: f.isc });
		if (!filled) return null;
		const module: TestedModule = {
			id: 'm',
			mark: 'the module',
			model: '',
			plate: filled.nameplate,
			labelWatts: filled.nameplate.pmax,
			seriesFuse: null
		};
		const mix = configurationOf(
			Array.from({ length: f.strings }, () => Array.from({ length: f.series }, () => 'm'))
		);
		const parts = {
			moduleOf: () => module,
			sky: { irradiance: f.light, cellTemperature: f.cells },
			blocking: false
		};
		return {
			f,
			label: module.labelWatts * f.series * f.strings,
			answer: answerBattery({
				mix,
				parts,
				batteryVolts: f.battery,
				absorption: f.absorption,
				capacity: given(f.capacity),
				maxVolts: given(f.maxVolts),
				chargeAmps: given(f.chargeAmps),
				lowest: given(f.lowest),
				hottestCell: f.hottest
			}),
			shade: shadeOnBattery(
				{
					mix: configurationOf([Array.from({ length: f.series }, () => 'm')]),
					parts,
					batteryVolts: f.battery
				},
				'1.1',
				f.left / 100
			)
		};
	});
</script>

<Question
	title="Controller and battery"
	lead="What a charge controller makes of an array: PWM beside MPPT, the voltage window hot and cold, and one module in the shade. The manufacturers of battery and controller decide; no lithium battery is charged below the temperature that its manufacturer allows."
>
	{#snippet asked()}
		<h2>The array</h2>
		<FigureFields {form} keys={['vmp', 'imp', 'voc', 'isc', 'series', 'strings']} />
		<h2>Battery and controller</h2>
		<FigureFields
			{form}
			keys={['battery', 'absorption', 'capacity', 'maxVolts', 'chargeAmps', 'lowest', 'hottest']}
		/>
		<h2>Now</h2>
		<FigureFields {form} keys={['light', 'cells', 'left']} />
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{@const { answer, shade, label, f } = worked}
			<h2>PWM beside MPPT</h2>
			<table>
				<thead><tr><th>by</th><th>into the battery</th><th>array at</th><th>of Pmax</th></tr></thead
				>
				<tbody>
					{#each [['PWM', answer.pwm], ['MPPT', answer.mppt]] as const as [name, gives] (name)}
						<tr>
							<th scope="row">{name}</th>
							<td class="figure">{gives.power.toFixed(0)} W, {gives.current.toFixed(1)} A</td>
							<td class="figure">{gives.arrayVoltage.toFixed(0)} V</td>
							<td class="figure">{((100 * gives.power) / label).toFixed(0)} %</td>
						</tr>
						<tr><td></td><td colspan="3" class="soft">{gives.words}</td></tr>
					{/each}
				</tbody>
			</table>
			<p>
				With PWM the power is the battery voltage times the current of the modules.
				{#if answer.more !== null && answer.more > 0.02}MPPT gives {(100 * answer.more).toFixed(0)} %
					more here.{/if}
			</p>
			<h2>Hot and cold</h2>
			<dl class="facts">
				<dt>Hottest day, Vmp of a string</dt>
				<dd class="figure">{answer.hotVoltage.toFixed(1)} V</dd>
				<dt>Needed with PWM: absorption voltage</dt>
				<dd class="figure">{answer.wanted.pwm.toFixed(1)} V</dd>
				<dt>
					Needed with MPPT: absorption voltage and 5 V (common practice; the manufacturer’s figure
					decides)
				</dt>
				<dd class="figure">{answer.wanted.mppt.toFixed(1)} V</dd>
				{#if answer.coldVoltage !== null}
					<dt>Coldest morning, open circuit</dt>
					<dd class="figure">{answer.coldVoltage.toFixed(0)} V</dd>
				{/if}
				{#if answer.rate !== null}
					<dt>Charge current over capacity</dt>
					<dd class="figure">{answer.rate.toFixed(2)} C</dd>
				{/if}
			</dl>
			{#each answer.broken as words (words)}
				<p class="notice" data-kind="error">{words}</p>
			{:else}
				<p class="notice" data-kind="done">
					The voltage fits hot and cold, by what is entered here.
				</p>
			{/each}
			{#if shade}
				<h2>One module of a string in the shade</h2>
				<p class="notice" data-shade>{shade.words}</p>
				<dl class="facts">
					<dt>{f.series} in series, MPPT, full sun on all</dt>
					<dd class="figure">{shade.before.toFixed(1)} A</dd>
					<dt>{f.left} % of the sun left on one</dt>
					<dd class="figure">{shade.after.toFixed(1)} A</dd>
				</dl>
			{/if}
		{:else}
			<p class="soft">Fill in the figures on the left.</p>
		{/if}
	{/snippet}
</Question>

<style>
	table {
		width: 100%;
	}

	th,
	td {
		padding: 0.25rem 0.8rem 0.25rem 0;
		text-align: start;
	}
</style>
