<script lang="ts">
	import { scaleGroup, solarTime } from '$core/bench';
	import { RECORD_LIMITS } from '$core/document';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';
	import { kilowatts } from '$lib/text/format';

	const count = { min: 0, max: 5000, unit: '', whole: true } as const;
	const form = new FigureForm({
		power: { min: 1, max: 1e6, unit: 'W', words: 'Power measured', first: '1180' },
		irradiance: { min: 100, max: 1400, unit: 'W/m²', words: 'Irradiance on it', first: '820' },
		modules: { min: 1, max: 5000, unit: '', whole: true, words: 'Modules in it', first: '4' },
		latitude: { ...RECORD_LIMITS.latitude, words: 'Latitude', first: '50' },
		longitude: { ...RECORD_LIMITS.longitude, words: 'Longitude', first: '0' },
		month: { min: 1, max: 12, unit: '', whole: true, words: 'Month of the clear day', first: '6' },
		modules1: { ...count, words: 'Plane 1: modules', first: '12' },
		tilt1: { ...RECORD_LIMITS.tilt, words: 'Tilt', first: '30' },
		azimuth1: { ...RECORD_LIMITS.azimuth, words: 'Azimuth', first: '90' },
		modules2: { ...count, words: 'Plane 2: modules', first: '12' },
		tilt2: { ...RECORD_LIMITS.tilt, words: 'Tilt', first: '30' },
		azimuth2: { ...RECORD_LIMITS.azimuth, words: 'Azimuth', first: '270' },
		modules3: { ...count, words: 'Plane 3: modules', first: '0' },
		tilt3: { ...RECORD_LIMITS.tilt, words: 'Tilt', first: '30' },
		azimuth3: { ...RECORD_LIMITS.azimuth, words: 'Azimuth', first: '180' },
		battery: {
			min: 3,
			max: 900,
			unit: 'V',
			words: 'Battery voltage while charging',
			first: '',
			optional: true
		},
		capacity: { min: 1, max: 1e5, unit: 'Ah', words: 'Battery capacity', first: '', optional: true }
	});
	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const planes = [
			{ modules: f.modules1, tilt: f.tilt1, azimuth: f.azimuth1 },
			{ modules: f.modules2, tilt: f.tilt2, azimuth: f.azimuth2 },
			{ modules: f.modules3, tilt: f.tilt3, azimuth: f.azimuth3 }
		].filter(({ modules }) => modules > 0);
		if (planes.length === 0) return null;
		const answer = scaleGroup({
			power: f.power,
			irradiance: f.irradiance,
			modules: f.modules,
			planes,
			observer: { latitude: f.latitude, longitude: f.longitude },
			// The 21st stands for its month: solstices and equinoxes lie there.
			day: Date.UTC(2026, f.month - 1, 21),
			batteryVoltage: given(f.battery),
			capacity: given(f.capacity)
		});
		return { f, planes, answer };
	});
</script>

<Question
	title="Scale a measured group"
	lead="From a group that was measured to a larger array over several planes: power by plane, the most at one moment of a clear day, and the charge current. Module temperature as measured; losses of cables and conversion are not included."
>
	{#snippet asked()}
		<h2>The measured group</h2>
		<FigureFields {form} keys={['power', 'irradiance', 'modules']} />
		<h2>The array</h2>
		<FigureFields
			{form}
			keys={[
				'modules1',
				'tilt1',
				'azimuth1',
				'modules2',
				'tilt2',
				'azimuth2',
				'modules3',
				'tilt3',
				'azimuth3'
			]}
		/>
		<h2>Where and when</h2>
		<FigureFields {form} keys={['latitude', 'longitude', 'month']} />
		<h2>Battery</h2>
		<FigureFields {form} keys={['battery', 'capacity']} />
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{@const { f, planes, answer } = worked}
			<h2>On a clear day</h2>
			<dl class="facts">
				<dt>Most at one moment</dt>
				<dd class="figure" data-peak>
					{kilowatts(answer.peak)} at {solarTime(answer.peakAt, f.longitude)} solar time
				</dd>
				<dt>All planes in full sun, never at once</dt>
				<dd class="figure">{kilowatts(answer.fullSun)}</dd>
				<dt>Energy</dt>
				<dd class="figure">{answer.energy.toFixed(1)} kWh</dd>
				{#if answer.current !== null}
					<dt>Charge current at the peak</dt>
					<dd class="figure">{answer.current.toFixed(1)} A</dd>
				{/if}
				{#if answer.cRate !== null}
					<dt>Over the capacity</dt>
					<dd class="figure" data-c-rate>{answer.cRate.toFixed(2)} C</dd>
				{/if}
			</dl>
			<div class="scroll">
				<table>
					<thead>
						<tr><th>Plane</th><th>Full sun</th><th>Peak</th><th>Energy</th></tr>
					</thead>
					<tbody>
						{#each answer.planes as plane, p (p)}
							<tr>
								<td>{planes[p]!.modules} modules, {planes[p]!.tilt}°, {planes[p]!.azimuth}°</td>
								<td class="figure">{kilowatts(plane.fullSun)}</td>
								<td class="figure"
									>{kilowatts(plane.peak)}, {solarTime(plane.peakAt, f.longitude)}</td
								>
								<td class="figure">{plane.energy.toFixed(1)} kWh</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			<details>
				<summary>Method</summary>
				<p class="soft">
					Power for each module, brought to 1000 W/m², times the modules of a plane and the
					irradiance on it: clear sky by Ineichen and Perez (2002), on the plane by Hay and Davies,
					reflection at the glass by De Soto; on the 21st of the month, not verified.
				</p>
			</details>
		{:else}
			<p class="soft">Fill in the figures on the left, and modules on one plane at least.</p>
		{/if}
	{/snippet}
</Question>

<style>
	.scroll {
		overflow-x: auto;
	}

	table {
		width: 100%;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 0.3rem 0.25rem 0;
		border-top: 1px solid var(--line);
	}
</style>
