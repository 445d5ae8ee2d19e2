<script lang="ts">
	import type { SuperValidated } from 'sveltekit-superforms';
	import {
		IRRADIANCE_SOURCE_FACTS,
		IRRADIANCE_SOURCES,
		type IrradianceBy,
		TEMPERATURE_SOURCE_FACTS,
		TEMPERATURE_SOURCES,
		type TemperatureBy
	} from '$core/conditions';
	import { type ConditionsForm, readFigure, READING_LIMITS } from '$core/document';
	import { planesOf } from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import { planeWords } from '$lib/text/plane-words';
	import FormErrors from '$lib/ui/FormErrors.svelte';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import RouteHelp from './RouteHelp.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import ConditionFields from './ConditionFields.svelte';

	interface Props {
		data: SuperValidated<ConditionsForm>;
		session: VisitSession;
	}
	let { data, session }: Props = $props();
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting, message } = keptForm(data, { id: 'conditions' });

	const planes = $derived(planesOf(session.document.record));

	/** A source brings its usual uncertainty; another may be typed over it. */
	function irradianceSource() {
		const facts = IRRADIANCE_SOURCE_FACTS[$form.irradianceSource];
		$form.irradianceDoubt = String(Number((100 * facts.standardUncertainty).toFixed(2)));
	}

	const irradianceTyped = $derived.by(() => {
		const read = readFigure($form.irradiance, READING_LIMITS.irradiance);
		return read.ok ? read.value : null;
	});

	/** Fills the form with what a way to the conditions found; the person sees it before it is stored. */
	function take(found: Partial<IrradianceBy & TemperatureBy>) {
		const { irradiance, cellTemperature, basis = '' } = found;
		if (irradiance) {
			$form.irradiance = irradiance.value.toFixed(0);
			$form.irradianceSource = irradiance.source;
			$form.irradianceDoubt = (100 * irradiance.relativeStandardUncertainty).toFixed(1);
		}
		if (cellTemperature) {
			$form.cellTemperature = cellTemperature.value.toFixed(1);
			$form.temperatureSource = cellTemperature.source;
			$form.temperatureDoubt = cellTemperature.standardUncertainty.toFixed(1);
		}
		$form.basis =
			irradiance && cellTemperature ? basis : [$form.basis, basis].filter(Boolean).join('; ');
	}

	function temperatureSource() {
		const facts = TEMPERATURE_SOURCE_FACTS[$form.temperatureSource];
		$form.temperatureDoubt = String(facts.standardUncertainty);
	}
</script>

<form method="POST" action="?/conditions" use:enhance>
	{#if planes.length > 1}
		<div class="plane">
			<Choice
				label="Measured on"
				name="fieldId"
				bind:value={$form.fieldId}
				options={[
					{ value: '', words: 'Plane not known' },
					...planes.map((plane) => ({ value: plane.fieldIds[0]!, words: planeWords(plane) }))
				]}
			/>
			<p class="soft">
				A plane without a measurement of its own follows from the position of the sun, or from its
				own strings, with a wider tolerance.
			</p>
		</div>
	{/if}
	<ConditionFields
		legend="Irradiance"
		figure={{
			name: 'irradiance',
			label: 'In the plane of the modules',
			unit: 'W/m²',
			help: 'Sensor flat on a module’s plane, clean, nothing shading it or the array',
			errors: $errors.irradiance
		}}
		bind:value={$form.irradiance}
		sourceName="irradianceSource"
		sources={IRRADIANCE_SOURCES.map((value) => ({
			value,
			words: IRRADIANCE_SOURCE_FACTS[value].words
		}))}
		bind:source={$form.irradianceSource}
		onsource={irradianceSource}
		uncertaintyFigure={{
			name: 'irradianceDoubt',
			label: 'How sure',
			unit: '%',
			help: 'Standard uncertainty; the screen shows twice it',
			errors: $errors.irradianceDoubt
		}}
		bind:uncertainty={$form.irradianceDoubt}
	/>
	<ConditionFields
		legend="Cell temperature"
		figure={{
			name: 'cellTemperature',
			label: 'Of the cells, not of the air',
			unit: '°C',
			help: 'A probe on the back of an open rack reads about 3 K below the cells in full sun',
			errors: $errors.cellTemperature
		}}
		bind:value={$form.cellTemperature}
		sourceName="temperatureSource"
		sources={TEMPERATURE_SOURCES.map((value) => ({
			value,
			words: TEMPERATURE_SOURCE_FACTS[value].words
		}))}
		bind:source={$form.temperatureSource}
		onsource={temperatureSource}
		uncertaintyFigure={{
			name: 'temperatureDoubt',
			label: 'How sure',
			unit: 'K',
			help: 'Standard uncertainty; the screen shows twice it',
			errors: $errors.temperatureDoubt
		}}
		bind:uncertainty={$form.temperatureDoubt}
	/>
	{#if session.document.visit.conditions.length > 0}
		<label class="follows">
			<input type="checkbox" name="follows" bind:checked={$form.follows} />
			<span
				>The sun has moved on since the last entry: this ends the series.
				<span class="soft">Unticked, it stands for all readings, as a correction does.</span></span
			>
		</label>
	{/if}
	<input type="hidden" name="basis" value={$form.basis} />
	{#if $form.basis}<p class="soft basis">Worked out from {$form.basis}.</p>{/if}
	<FormErrors words={$message} />
	<p class="send">
		<button class="act" disabled={$submitting}>Save and measure</button>
		{#if planes.length > 1}
			<button class="act-plain" name="another" value="on" disabled={$submitting}
				>Save and enter another plane</button
			>
		{/if}
	</p>
</form>

<RouteHelp {session} irradiance={irradianceTyped} fieldId={$form.fieldId} ontake={take} />

<style>
	.follows {
		display: flex;
		align-items: start;
		gap: 0.8rem;
		grid-column: 1 / -1;
		min-height: 44px;
	}

	.follows input {
		width: 26px;
		height: 26px;
		flex: none;
	}

	.follows .soft {
		display: block;
	}

	.plane {
		grid-column: 1 / -1;
		display: grid;
		gap: 0.3rem;
		max-width: 46rem;
	}

	.send {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
		grid-column: 1 / -1;
	}

	.basis {
		grid-column: 1 / -1;
	}

	form {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 1.25rem;
	}

	@media (max-width: 760px) {
		form {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
