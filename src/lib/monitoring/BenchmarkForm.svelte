<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { invalidateAll } from '$app/navigation';
	import { type BenchmarkEntry, readFigure } from '$core/document';
	import { factsOf, targetKey, targetsOf } from '$core/monitoring';
	import type { ArrayRecord } from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { sendJson } from '$lib/session/send-json';

	interface Props {
		siteId: string;
		record: ArrayRecord;
		/** The latest benchmark day, as in 2026-06-21. */
		date: string;
		/** Names of the instruments of earlier measurements, the latest first. */
		instruments: readonly string[];
	}
	let { siteId, record, date, instruments }: Props = $props();

	const LIMITS = {
		watts: { min: 1, max: 1e8, unit: 'W' },
		irradiance: { min: 50, max: 1600, unit: 'W/m²' },
		cellTemperature: { min: -40, max: 110, unit: '°C' }
	} as const;
	const targets = $derived(targetsOf(record).filter(({ kind }) => kind !== 'module'));
	// svelte-ignore state_referenced_locally
	const typed = $state({
		date,
		watts: '',
		irradiance: '',
		cellTemperature: '',
		by: '',
		instrument: instruments[0] ?? '',
		target: 'array',
		side: 'dc'
	});
	let tried = $state(false);
	let words = $state('');

	function errorsOf(key: keyof typeof LIMITS): string[] {
		if (typed[key].trim() === '') return tried ? ['Enter a figure.'] : [];
		const read = readFigure(typed[key], LIMITS[key]);
		return read.ok ? [] : [read.problem];
	}
	const errors = $derived({
		watts: errorsOf('watts'),
		irradiance: errorsOf('irradiance'),
		cellTemperature: errorsOf('cellTemperature'),
		date: /^\d{4}-\d\d-\d\d$/.test(typed.date) ? [] : ['Write the date as 2026-06-21.'],
		by: tried && typed.by.trim() === '' ? ['Enter who measured.'] : []
	});
	const bad = $derived(Object.values(errors).some((list) => list.length > 0));
	const value = (key: keyof typeof LIMITS) => {
		const read = readFigure(typed[key], LIMITS[key]);
		return read.ok ? read.value : Number.NaN;
	};

	async function store(): Promise<void> {
		tried = true;
		if (bad || typed.by.trim() === '' || Number.isNaN(value('watts'))) return;
		const entry: BenchmarkEntry = {
			id: uuid(),
			date: typed.date,
			target: targets.find((target) => targetKey(target) === typed.target) ?? { kind: 'array' },
			watts: value('watts'),
			side: typed.side as BenchmarkEntry['side'],
			irradiance: value('irradiance'),
			cellTemperature: value('cellTemperature'),
			...(typed.instrument.trim() && { instrument: typed.instrument.trim() }),
			by: typed.by.trim()
		};
		const answer = await sendJson(`/sites/${siteId}/monitoring/benchmark`, entry);
		words = answer.ok ? '' : answer.words;
		if (!answer.ok) return;
		tried = false;
		Object.assign(typed, { watts: '', irradiance: '', cellTemperature: '' });
		await invalidateAll();
	}
</script>

<form
	class="panel"
	aria-label="Enter a measurement"
	onsubmit={(event) => {
		event.preventDefault();
		void store();
	}}
>
	<h2>Enter a measurement</h2>
	<div class="fields">
		<Field label="Day" name="date" type="date" bind:value={typed.date} errors={errors.date} />
		<Choice
			label="Of"
			name="target"
			bind:value={typed.target}
			options={targets.map((target) => ({
				value: targetKey(target),
				words: factsOf(record, target)?.label ?? ''
			}))}
		/>
		<Choice
			label="Power on the"
			name="side"
			bind:value={typed.side}
			options={[
				{ value: 'dc', words: 'DC side' },
				{ value: 'ac', words: 'AC side' }
			]}
		/>
		<Field
			label="Power"
			name="watts"
			unit="W"
			figures
			bind:value={typed.watts}
			errors={errors.watts}
		/>
		<Field
			label="Plane-of-array irradiance"
			name="irradiance"
			unit="W/m²"
			figures
			bind:value={typed.irradiance}
			errors={errors.irradiance}
		/>
		<Field
			label="Cell temperature"
			name="cellTemperature"
			unit="°C"
			figures
			bind:value={typed.cellTemperature}
			errors={errors.cellTemperature}
		/>
		<Field
			label="Irradiance measured with"
			name="instrument"
			help="Name or serial number. A change of instrument can look like degradation."
			bind:value={typed.instrument}
		/>
		<Field label="Measured by" name="by" bind:value={typed.by} errors={errors.by} />
	</div>
	{#if words}<p class="notice" data-kind="error" role="alert">{words}</p>{/if}
	<p><button class="act">Save measurement</button></p>
</form>

<style>
	form {
		display: grid;
		gap: 0.8rem;
		padding: 1.1rem 1.4rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.7rem 1.2rem;
	}
</style>
