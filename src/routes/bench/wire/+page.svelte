<script lang="ts">
	import { page } from '$app/state';
	import { answerRun, answerWire } from '$core/bench';
	import { BATCH_LIMITS } from '$core/document';
	import {
		amount,
		cableArea,
		type CableSpec,
		needWords,
		openingWords,
		problemText,
		ratingProblem,
		stringFuseRule,
		uncorrectedAmpacity
	} from '$core/design-checks';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';
	import Choice from '$lib/ui/Choice.svelte';

	const form = new FigureForm({
		length: { min: 0.5, max: 2000, unit: 'm', words: 'Length, one way', first: '25' },
		size: {
			min: 0.5,
			max: 600,
			unit: 'mm²',
			words: 'Size, mm² or AWG',
			first: '4',
			parse: cableArea
		},
		amps: { min: 0.1, max: 5000, unit: 'A', words: 'Operating current', first: '26' },
		volts: { min: 1, max: 1500, unit: 'V', words: 'Operating voltage', first: '60' },
		temperature: { min: -20, max: 120, unit: '°C', words: 'Conductor temperature', first: '50' },
		ambient: { min: -20, max: 90, unit: '°C', words: 'Ambient, highest', first: '40' },
		together: {
			min: 1,
			max: 200,
			unit: '',
			whole: true,
			words: 'Loaded conductors',
			first: '2'
		},
		factor: { min: 1, max: 2, unit: '', words: 'Factor on the current', first: '1.25' },
		hours: { min: 100, max: 3000, unit: 'h', words: 'Full-sun hours a year', first: '1000' },
		latitude: { min: -90, max: 90, unit: '°', words: 'Latitude', first: '52' },
		tilt: { min: 0, max: 90, unit: '°', words: 'Tilt', first: '30' },
		azimuth: { min: 0, max: 360, unit: '°', words: 'Azimuth', first: '180' },
		price: { min: 0, max: 100, unit: '', words: 'Price of a kWh', first: '', optional: true },
		isc: { ...BATCH_LIMITS.isc, words: 'Isc of a string', first: '8.75' },
		strings: { min: 1, max: 60, unit: '', whole: true, words: 'Strings in parallel', first: '3' },
		onRun: {
			min: 1,
			max: 60,
			unit: '',
			whole: true,
			words: 'Strings on this run',
			first: '',
			optional: true
		},
		seriesFuse: {
			...BATCH_LIMITS.seriesFuse,
			words: 'Module’s maximum series fuse',
			first: '15',
			optional: true
		},
		fuse: { min: 1, max: 200, unit: 'A', words: 'Fuse fitted', first: '12', optional: true }
	});
	let profile = $state<'IEC' | 'US'>(page.url.searchParams.get('rules') === 'US' ? 'US' : 'IEC');
	let laid = $state<CableSpec['installation']>('free-air');
	let terminals = $state<'60' | '75' | '90'>('75');
	let material = $state<CableSpec['material']>('copper');
	let always = $state(false);

	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const us = profile === 'US';
		const fuse = given(f.fuse);
		const parallel = { count: f.strings, isc: f.isc, moduleFuse: given(f.seriesFuse) };
		const rule = stringFuseRule(parallel, { profile, alwaysFuse: always });
		const run = answerRun({
			cable: {
				profile: us ? 'NEC' : 'IEC',
				material: us ? material : 'copper',
				area: f.size,
				insulation: us ? 90 : 120,
				ambient: f.ambient,
				installation: laid,
				conductors: f.together,
				terminals: us ? (Number(terminals) as 60 | 75 | 90) : undefined
			},
			current: f.amps,
			isc: f.isc,
			strings: f.strings,
			onRun: Math.min(given(f.onRun) ?? f.strings, f.strings),
			factor: f.factor,
			fuse
		});
		return {
			f,
			fuse,
			rule,
			run,
			opening: fuse === null ? null : openingWords(rule, fuse),
			wire: answerWire({
				length: f.length,
				size: f.size,
				temperature: f.temperature,
				conductor: us ? 'copper' : 'pvCable',
				amps: f.amps,
				volts: f.volts,
				year: {
					latitude: f.latitude,
					plane: { tilt: f.tilt, azimuth: f.azimuth },
					sunHours: f.hours
				},
				price: given(f.price)
			}),
			needed: needWords(rule, parallel),
			problem: fuse === null ? null : ratingProblem(rule, fuse)
		};
	});
	const sizesWords = $derived.by(() => {
		if (!worked) return '';
		const { standard, low, high } = worked.rule;
		if (standard.length > 0) return `Standard ratings that fit: ${standard.join(', ')} A.`;
		return low > high
			? `No fuse fits: at least ${low.toFixed(1)} A are required, and at most ${high.toFixed(1)} A protect the modules.`
			: `No standard rating lies between ${low.toFixed(1)} and ${high.toFixed(1)} A.`;
	});
	const FAILS = {
		corrected: 'Too thin for the current as it is laid.',
		uncorrected: 'Too thin before corrections or at its terminals.',
		reverse: 'Too thin for what the other strings feed into a fault: fit a fuse.',
		fuse: 'The fuse is too large to protect it.'
	} as const;
</script>

<Question
	title="Cable and fuse"
	lead="Ampacity, voltage drop and loss of a DC cable run, and whether parallel strings need fuses. Figures of the standards are not verified. Local code, the manufacturer’s instructions and licensed practice decide."
>
	{#snippet asked()}
		<h2>The run</h2>
		<FigureFields
			{form}
			keys={[
				'length',
				'size',
				'amps',
				'volts',
				'temperature',
				'ambient',
				'together',
				'factor',
				'hours',
				'latitude',
				'tilt',
				'azimuth',
				'price'
			]}
		/>
		<div class="choices">
			<Choice
				label="Rules"
				name="profile"
				bind:value={profile}
				options={[
					{ value: 'IEC', words: 'IEC, PV cable (EN 50618)' },
					{ value: 'US', words: 'US, 90 °C conductor' }
				]}
			/>
			<Choice
				label="Installation"
				name="laid"
				bind:value={laid}
				options={[
					{ value: 'free-air', words: 'free in air' },
					{ value: 'on-surface', words: 'on a surface' },
					{ value: 'touching', words: 'touching another, on a surface' },
					{ value: 'raceway', words: profile === 'US' ? 'in a raceway' : 'in conduit' }
				]}
			/>
			{#if profile === 'US'}
				<Choice
					label="Material"
					name="material"
					bind:value={material}
					options={[
						{ value: 'copper', words: 'copper' },
						{ value: 'aluminium', words: 'aluminium' }
					]}
				/>
				<Choice
					label="Terminals rated"
					name="terminals"
					bind:value={terminals}
					options={[
						{ value: '60', words: '60 °C' },
						{ value: '75', words: '75 °C' },
						{ value: '90', words: '90 °C' }
					]}
				/>
			{/if}
		</div>
		<h2>The strings</h2>
		<FigureFields {form} keys={['isc', 'strings', 'onRun', 'seriesFuse', 'fuse']} />
		<p class="soft">Strings on this run: all of them where it is left empty.</p>
		<label class="tick">
			<input type="checkbox" name="always" bind:checked={always} />
			House rule: a fuse in every parallel string
		</label>
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{@const { wire, run, needed, problem, rule, opening, fuse, f } = worked}
			<h2>Ampacity</h2>
			{#if run.rating.ok}
				{@const rating = run.rating.value}
				<p
					class="notice"
					data-kind={run.verdict === 'pass' ? 'done' : 'error'}
					data-verdict={run.verdict}
				>
					<strong>{run.verdict === 'pass' ? 'Pass' : 'Fail'}.</strong>
					{run.fails.map((fail) => FAILS[fail]).join(' ')}
				</p>
				<dl class="facts">
					<dt>Required as laid</dt>
					<dd class="figure" data-required>{amount(run.required, 'A')}</dd>
					<dt>Found, {rating.row}</dt>
					<dd class="figure">{amount(rating.corrected, 'A')}</dd>
					{#if run.requiredUncorrected !== null}
						<dt>Required before corrections</dt>
						<dd class="figure">{amount(run.requiredUncorrected, 'A')}</dd>
						<dt>Found, terminals included</dt>
						<dd class="figure">
							{amount(uncorrectedAmpacity(rating), 'A')}
						</dd>
					{/if}
					{#if run.reverse > 0}
						<dt>Fed by the other strings in a fault</dt>
						<dd class="figure">{amount(run.reverse, 'A')}</dd>
					{/if}
				</dl>
				<details>
					<summary>Factors and clauses</summary>
					<p class="soft">
						{amount(rating.tabulated, 'A')} × {rating.ambientFactor} (ambient) × {rating.groupingFactor}
						(grouping). Required: {f.factor} × the larger of the operating current and Isc of the strings
						on the run. {rating.source}.
					</p>
				</details>
			{:else}
				<p class="notice" data-verdict="not-assessed">
					<strong>Not assessed.</strong> Required: {amount(run.required, 'A')}. There is no {problemText(
						run.rating.problem
					).replace(/^a /, '')}.
				</p>
			{/if}
			<h2>Fuse</h2>
			<p class="notice" data-fuse>{needed}</p>
			{#if rule.asked}<p>{sizesWords}</p>{/if}
			{#if problem}<p class="notice" data-kind="error">{problem}</p>{/if}
			{#if opening && f.strings > 1}<p>Fuse fitted, {fuse} A: {opening}</p>{/if}
			<details>
				<summary>Clauses</summary>
				<p class="soft">{rule.formula}. {rule.clause}; rating: {rule.sizeClause}.</p>
			</details>
			<h2>Voltage drop and loss</h2>
			<dl class="facts">
				<dt>Both conductors</dt>
				<dd class="figure">{wire.resistance.toFixed(3)} Ω</dd>
				<dt>Drop at full power</dt>
				<dd class="figure">{wire.drop.toFixed(2)} V, {(100 * wire.share).toFixed(1)} %</dd>
				<dt>Loss at full power</dt>
				<dd class="figure">{wire.power.toFixed(1)} W</dd>
				<dt>Loss a year</dt>
				<dd class="figure">
					{wire.kWhAYear.toFixed(1)} kWh{wire.costAYear === null
						? ''
						: `, ${wire.costAYear.toFixed(2)}`}
				</dd>
			</dl>
			<p class="notice" data-kind={wire.usual ? 'done' : undefined}>
				{wire.usual
					? 'Within 2 %, which is usual (common practice).'
					: 'More than the usual 1 to 2 % (common practice).'}
			</p>
			<table>
				<thead><tr><th>Size</th><th>Drop</th><th>Loss a year</th></tr></thead>
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
				<summary>Method</summary>
				<p class="soft">
					Copper, twice the length, at the conductor’s temperature (IEC 60228, not verified). A
					year: loss at full power × full-sun hours × π/4, since the loss goes with the square of
					the current and the irradiance of a clear day is close to a sine.
				</p>
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
