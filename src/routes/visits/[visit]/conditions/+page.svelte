<script lang="ts">
	import {
		IRRADIANCE_SOURCE_FACTS,
		IRRADIANCE_SOURCES,
		TEMPERATURE_SOURCE_FACTS,
		TEMPERATURE_SOURCES
	} from '$core/conditions/conditions';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import FormTrouble from '$lib/ui/FormTrouble.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import { dayAndTime } from '$lib/ui/when';
	import { useVisit } from '$lib/ui/visit-session.svelte';

	let { data } = $props();
	const session = useVisit();
	// svelte-ignore state_referenced_locally
	const conditions = keptForm(data.conditionsForm, { id: 'conditions' });
	const { form, errors, enhance, submitting, message } = conditions;
	// svelte-ignore state_referenced_locally
	const meters = keptForm(data.metersForm, { id: 'meters' });
	const {
		form: meterForm,
		errors: meterErrors,
		enhance: enhanceMeters,
		posted: metersPosted,
		message: meterMessage
	} = meters;

	/** A source brings its usual uncertainty; another may be typed over it. */
	function irradianceSource() {
		const facts = IRRADIANCE_SOURCE_FACTS[$form.irradianceSource];
		$form.irradianceDoubt = String(Number((100 * facts.standardUncertainty).toFixed(2)));
	}

	function temperatureSource() {
		$form.temperatureDoubt = String(
			TEMPERATURE_SOURCE_FACTS[$form.temperatureSource].standardUncertainty
		);
	}

	const history = $derived([...session.document.visit.conditions].reverse());

	const metersRefused = $derived(Object.values($meterErrors).some(Boolean));
	const METERS = [
		{ meter: 'volts', words: 'Volts', unit: 'V' },
		{ meter: 'amps', words: 'Clamp', unit: 'A' }
	] as const;
	const ACCURACY = [
		{ part: 'Pct', words: '% of reading' },
		{ part: 'Counts', words: 'counts' },
		{ part: 'Resolution', words: 'one count' }
	] as const;
</script>

<svelte:head><title>Conditions · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Conditions</h1>
	<p class="soft lead">
		Light in the plane of the modules and the temperature of their cells, at the time of the
		readings. Every expected value hangs on them. Enter them anew when the sun moves; the last entry
		holds.
	</p>

	<form method="POST" action="?/conditions" use:enhance>
		<fieldset class="panel">
			<legend>Irradiance</legend>
			<div class="big">
				<Field
					label="In the plane of the modules"
					name="irradiance"
					bind:value={$form.irradiance}
					errors={$errors.irradiance}
					unit="W/m²"
					figures
					help="Sensor flat on a module’s plane, clean, nothing shading it or the array"
				/>
			</div>
			<Choice
				label="Where it comes from"
				name="irradianceSource"
				bind:value={$form.irradianceSource}
				onchange={irradianceSource}
				options={IRRADIANCE_SOURCES.map((value) => ({
					value,
					words: IRRADIANCE_SOURCE_FACTS[value].words
				}))}
			/>
			<Field
				label="How sure"
				name="irradianceDoubt"
				bind:value={$form.irradianceDoubt}
				errors={$errors.irradianceDoubt}
				unit="%"
				figures
				help="Standard uncertainty; the screen shows twice it"
			/>
		</fieldset>
		<fieldset class="panel">
			<legend>Cell temperature</legend>
			<div class="big">
				<Field
					label="Of the cells, not of the air"
					name="cellTemperature"
					bind:value={$form.cellTemperature}
					errors={$errors.cellTemperature}
					unit="°C"
					figures
					help="A probe on the back of an open rack reads about 3 K below the cells in full sun"
				/>
			</div>
			<Choice
				label="Where it comes from"
				name="temperatureSource"
				bind:value={$form.temperatureSource}
				onchange={temperatureSource}
				options={TEMPERATURE_SOURCES.map((value) => ({
					value,
					words: TEMPERATURE_SOURCE_FACTS[value].words
				}))}
			/>
			<Field
				label="How sure"
				name="temperatureDoubt"
				bind:value={$form.temperatureDoubt}
				errors={$errors.temperatureDoubt}
				unit="K"
				figures
				help="Standard uncertainty"
			/>
		</fieldset>
		<FormTrouble words={$message} />
		<p><button class="act" disabled={$submitting}>Store and measure</button></p>
	</form>

	<div class="below">
		<form method="POST" action="?/meters" use:enhanceMeters>
			<h2>Meters</h2>
			<p class="soft">
				Limits of error from the data sheet: ± (percent of reading + counts). These are usual ones.
			</p>
			<table>
				<thead>
					<tr>
						<th><span class="sr-only">Meter</span></th>
						{#each ACCURACY as { words } (words)}<th>{words}</th>{/each}
					</tr>
				</thead>
				<tbody>
					{#each METERS as { meter, words, unit } (meter)}
						<tr>
							<th scope="row">{words}</th>
							{#each ACCURACY as column (column.part)}
								{@const name = `${meter}${column.part}` as const}
								<td>
									<input
										{name}
										aria-label="{words}, {column.words}"
										inputmode="decimal"
										class="figure"
										bind:value={$meterForm[name]}
										aria-invalid={Boolean($meterErrors[name])}
									/>
									{column.part === 'Resolution' ? unit : ''}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
			{#each METERS as { meter, words } (meter)}
				{#each ACCURACY as column (column.part)}
					{#each $meterErrors[`${meter}${column.part}`] ?? [] as wrong (wrong)}
						<p class="error">{words}, {column.words}: {wrong}</p>
					{/each}
				{/each}
			{/each}
			<FormTrouble words={$meterMessage} />
			<p class="done">
				<button class="act-plain">Store the meters</button>
				{#if $metersPosted && !metersRefused}<span role="status">Stored.</span>{/if}
			</p>
		</form>
		<section>
			<h2>Entered so far</h2>
			{#if history.length === 0}
				<p class="soft">Nothing yet.</p>
			{:else}
				<ul>
					{#each history as entry (entry.id)}
						<li>
							<span class="figure"
								>{entry.irradiance.value} W/m², {entry.cellTemperature.value} °C</span
							>
							<span class="soft"
								>{dayAndTime(entry.enteredAt, session.document.site.timeZone)}, {entry.by}</span
							>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 68ch;
		margin: 0.3rem 0 1.25rem;
	}

	form:first-of-type {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 1.25rem;
	}

	fieldset {
		padding: 0.75rem 1.25rem 1.25rem;
		display: grid;
		gap: 0.9rem;
		align-content: start;
	}

	legend {
		float: left;
		font-size: 1.2rem;
		font-weight: 650;
	}

	.big :global(input) {
		font-size: 2.4rem;
		font-weight: 600;
		min-height: 68px;
		text-align: end;
	}

	.below {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 1.25rem 2.5rem;
		margin-top: 2rem;
	}

	.below form {
		display: block;
	}

	h2 {
		font-size: 1.2rem;
		margin-bottom: 0.3rem;
	}

	table {
		width: 100%;
		margin: 0.6rem 0;
	}

	th {
		text-align: start;
		font-weight: 600;
		padding: 0.15rem 0.5rem 0.15rem 0;
	}

	td input {
		width: 5.2rem;
		min-height: 44px;
		padding: 0.2rem 0.5rem;
		text-align: end;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	td input[aria-invalid='true'] {
		border-color: var(--off);
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	.done {
		display: flex;
		align-items: center;
		gap: 1rem;
	}

	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--line);
	}

	@media (max-width: 700px) {
		form:first-of-type,
		.below {
			grid-template-columns: 1fr;
		}

		td input {
			width: 4rem;
		}
	}
</style>
