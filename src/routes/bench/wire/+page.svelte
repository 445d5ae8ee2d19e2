<script lang="ts">
	import { page } from '$app/state';
	import { answerWire } from '$core/bench/wire';
	import { PILE_LIMITS } from '$core/document/pile';
	import { unknownSpecs, type PartOf } from '$core/record/part';
	import type { SiteRules } from '$core/record/record';
	import { ampacityOf } from '$core/rules/ampacity';
	import { conductorFit } from '$core/rules/conductor-fit';
	import { needWords, openingWords, ratingTrouble, stringFuseRule } from '$core/rules/string-fuse';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';
	import Choice from '$lib/ui/Choice.svelte';

	const form = new FigureForm({
		length: { min: 0.5, max: 2000, unit: 'm', words: 'Length, one way', first: '25' },
		size: { min: 0.5, max: 300, unit: 'mm²', words: 'Copper', first: '4' },
		amps: { min: 0.1, max: 1000, unit: 'A', words: 'Current at full power', first: '9.5' },
		volts: { min: 1, max: 1500, unit: 'V', words: 'Volts at full power', first: '60' },
		temperature: { min: -20, max: 90, unit: '°C', words: 'Conductor', first: '50' },
		ambient: { min: -20, max: 70, unit: '°C', words: 'Warmest surroundings', first: '40' },
		hours: { min: 100, max: 3000, unit: 'h', words: 'Hours of full sun a year', first: '1000' },
		price: { min: 0, max: 100, unit: '', words: 'Price of a kWh', first: '', optional: true },
		isc: { ...PILE_LIMITS.isc, words: 'Isc of a string', first: '8.75' },
		strings: { min: 1, max: 60, unit: '', whole: true, words: 'Strings in parallel', first: '3' },
		seriesFuse: {
			...PILE_LIMITS.seriesFuse,
			words: 'Module’s maximum series fuse',
			first: '15',
			optional: true
		},
		fuse: { min: 1, max: 200, unit: 'A', words: 'Fuse that is there', first: '12', optional: true }
	});
	let profile = $state<SiteRules['profile']>(
		page.url.searchParams.get('rules') === 'US' ? 'US' : 'IEC'
	);
	let laid = $state<'free in air' | 'on a surface' | 'in a raceway'>('free in air');
	let always = $state(false);

	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const conductor: PartOf<'conductor'> = {
			id: '',
			kind: 'conductor',
			mark: '',
			place: null,
			model: null,
			serial: null,
			to: null,
			specs: {
				...unknownSpecs('conductor'),
				size: f.size,
				rating: profile === 'US' ? '90 °C' : 'solar cable',
				ambient: f.ambient,
				laid
			}
		};
		const rules: SiteRules = {
			profile,
			edition: profile === 'US' ? 2020 : null,
			structure: 'building',
			lowest: null,
			hottestCell: null,
			alwaysFuse: always
		};
		const fuse = given(f.fuse);
		const parallel = { count: f.strings, isc: f.isc, moduleFuse: given(f.seriesFuse) };
		const rule = stringFuseRule(parallel, rules);
		const ampacity = ampacityOf(conductor, rules);
		return {
			f,
			fuse,
			rule,
			opening: fuse === null ? null : openingWords(rule, fuse),
			wire: answerWire({
				length: f.length,
				size: f.size,
				temperature: f.temperature,
				amps: f.amps,
				volts: f.volts,
				sunHours: f.hours,
				price: given(f.price)
			}),
			ampacity,
			bears: ampacity.known ? conductorFit(ampacity, f.isc, rules) : null,
			needed: needWords(rule, parallel),
			trouble: fuse === null ? null : ratingTrouble(rule, fuse)
		};
	});
	const sizesWords = $derived.by(() => {
		if (!worked) return '';
		const { standard, low, high } = worked.rule;
		if (standard.length > 0) return `Standard sizes that fit: ${standard.join(', ')} A.`;
		return `No standard size fits between ${low.toFixed(1)} and ${high.toFixed(1)} A.`;
	});
</script>

<Question
	title="Wire and fuse"
	lead="What a run of copper bears, drops and loses, and whether parallel strings want fuses. The figures of the standards are from memory; local code, the makers’ instructions and licensed practice decide."
>
	{#snippet asked()}
		<h2>The run</h2>
		<FigureFields
			{form}
			keys={['length', 'size', 'amps', 'volts', 'temperature', 'ambient', 'hours', 'price']}
		/>
		<div class="choices">
			<Choice
				label="Rules"
				name="profile"
				bind:value={profile}
				options={[
					{ value: 'IEC', words: 'IEC, solar cable' },
					{ value: 'US', words: 'US, 90 °C copper' }
				]}
			/>
			<Choice
				label="Laid"
				name="laid"
				bind:value={laid}
				options={[
					{ value: 'free in air', words: 'free in air' },
					{ value: 'on a surface', words: 'on a surface, touching' },
					{ value: 'in a raceway', words: 'in a raceway' }
				]}
			/>
		</div>
		<h2>The strings</h2>
		<FigureFields {form} keys={['isc', 'strings', 'seriesFuse', 'fuse']} />
		<label class="tick">
			<input type="checkbox" name="always" bind:checked={always} />
			House rule: a fuse in every parallel string
		</label>
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{@const { wire, ampacity, bears, needed, trouble, rule, opening, fuse, f } = worked}
			<h2>What it loses</h2>
			<dl class="facts">
				<dt>Both conductors</dt>
				<dd class="figure">{wire.ohms.toFixed(3)} ohm</dd>
				<dt>Drop at full power</dt>
				<dd class="figure">{wire.drop.toFixed(2)} V, {(100 * wire.share).toFixed(1)} %</dd>
				<dt>Heat at full power</dt>
				<dd class="figure">{wire.watts.toFixed(1)} W</dd>
				<dt>A year</dt>
				<dd class="figure">
					{wire.kWhAYear.toFixed(1)} kWh{wire.costAYear === null
						? ''
						: `, ${wire.costAYear.toFixed(2)}`}
				</dd>
			</dl>
			<p class="notice" data-kind={wire.usual ? 'done' : undefined}>
				{wire.usual
					? 'Within two percent, which is usual (common practice).'
					: 'More than the usual one to two percent (common practice).'}
			</p>
			<table>
				<thead><tr><th>Size</th><th>drop</th><th>a year</th></tr></thead>
				<tbody>
					{#each wire.sizes as one (one.size)}
						<tr class:own={one.size === f.size}>
							<td class="figure">{one.size} mm²</td>
							<td class="figure">{(100 * one.share).toFixed(1)} %</td>
							<td class="figure">{one.kWh.toFixed(1)} kWh</td>
						</tr>
					{/each}
				</tbody>
			</table>
			<details>
				<summary>How</summary>
				<p class="soft">
					Copper 0.0172 ohm mm²/m at 20 °C, 0.393 % a kelvin (IEC 60228, from memory), twice the
					length. A year: heat at full power x hours of full sun x pi/4, since heat goes with the
					square of the current and the sun of a clear day is a sine.
				</p>
			</details>
			<h2>What it bears</h2>
			{#if bears}
				<p class="notice" data-kind={bears.fits ? 'done' : 'error'} data-bears>{bears.words}</p>
				<details>
					<summary>By which table and clause</summary>
					<p class="soft">{bears.formula}. {bears.clause}.</p>
				</details>
			{:else if !ampacity.known}
				<p class="notice">Cannot be said: {ampacity.missing.join(', ')} is not in the table.</p>
			{/if}
			<h2>Fuse or none</h2>
			<p class="notice" data-fuse>{needed}</p>
			{#if rule.asked}<p>{sizesWords}</p>{/if}
			{#if trouble}<p class="notice" data-kind="error">{trouble}</p>{/if}
			{#if opening && f.strings > 1}<p>The {fuse} A that is there: {opening}</p>{/if}
			<details>
				<summary>By which clause</summary>
				<p class="soft">{rule.formula}. {rule.clause}; size: {rule.sizeClause}.</p>
			</details>
		{:else}
			<p class="soft">Fill in the figures on the left.</p>
		{/if}
	{/snippet}
</Question>

<style>
	.choices {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
	}

	table {
		width: 100%;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 0;
		border-top: 1px solid var(--line);
	}

	.own {
		font-weight: 750;
		background: var(--lit);
	}
</style>
