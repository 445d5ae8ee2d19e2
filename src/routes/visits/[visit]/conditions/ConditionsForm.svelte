<script lang="ts">
	import type { SuperValidated } from 'sveltekit-superforms';
	import {
		IRRADIANCE_SOURCE_FACTS,
		IRRADIANCE_SOURCES,
		TEMPERATURE_SOURCE_FACTS,
		TEMPERATURE_SOURCES
	} from '$core/conditions/conditions';
	import type { ConditionsForm } from '$core/document/forms';
	import FormTrouble from '$lib/ui/FormTrouble.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import ConditionFields from './ConditionFields.svelte';

	let { data }: { data: SuperValidated<ConditionsForm> } = $props();
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting, message } = keptForm(data, { id: 'conditions' });

	/** A source brings its usual uncertainty; another may be typed over it. */
	function irradianceSource() {
		const facts = IRRADIANCE_SOURCE_FACTS[$form.irradianceSource];
		$form.irradianceDoubt = String(Number((100 * facts.standardUncertainty).toFixed(2)));
	}

	function temperatureSource() {
		const facts = TEMPERATURE_SOURCE_FACTS[$form.temperatureSource];
		$form.temperatureDoubt = String(facts.standardUncertainty);
	}
</script>

<form method="POST" action="?/conditions" use:enhance>
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
		doubtFigure={{
			name: 'irradianceDoubt',
			label: 'How sure',
			unit: '%',
			help: 'Standard uncertainty; the screen shows twice it',
			errors: $errors.irradianceDoubt
		}}
		bind:doubt={$form.irradianceDoubt}
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
		doubtFigure={{
			name: 'temperatureDoubt',
			label: 'How sure',
			unit: 'K',
			help: 'Standard uncertainty; the screen shows twice it',
			errors: $errors.temperatureDoubt
		}}
		bind:doubt={$form.temperatureDoubt}
	/>
	<FormTrouble words={$message} />
	<p><button class="act" disabled={$submitting}>Store and measure</button></p>
</form>

<style>
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
