<script lang="ts">
	import ChevronRight from '@lucide/svelte/icons/chevron-right';
	import { readFigure } from '$core/document';
	import {
		byAir,
		byBackProbe,
		byClearSky,
		byReferenceModule,
		byShadow,
		type IrradianceBy,
		type TemperatureBy,
		USUAL_TURBIDITY
	} from '$core/conditions';
	import { conditionsFromPeers } from '$core/expectation';
	import Field from '$lib/ui/Field.svelte';
	import type { VisitSession } from '$lib/session/visit-session.svelte';

	interface Props {
		session: VisitSession;
		/** Irradiance that stands in the form, W/m2; null where none does. */
		irradiance: number | null;
		/** A field of the plane that is being entered; empty where it is not known. */
		fieldId: string;
		ontake: (found: Partial<IrradianceBy & TemperatureBy>) => void;
	}
	let { session, irradiance, fieldId, ontake }: Props = $props();

	const ROUTES = [
		['control', 'A known good module', '± 5 %'],
		['siblings', 'The strings themselves', '± 5 %'],
		['shadow', 'Sensor at the sun, and a shadow', '± 10 %'],
		['sky', 'Clear sky', '± 24 %'],
		['back', 'Cells: probe on the back', '± 4 K'],
		['air', 'Cells: from the air', '± 10 K']
	] as const;
	type Route = (typeof ROUTES)[number][0];
	let route = $state<Route | null>(null);
	let problem = $state('');
	let opened = $state(false);
	const fromPeers = $derived(
		opened ? conditionsFromPeers(session.document.record, session.effective, fieldId || null) : null
	);

	const record = $derived(session.document.record);
	const field = $derived(record.fields.find(({ id }) => id === fieldId) ?? record.fields[0]);
	// Another plane brings its own tilt and azimuth.
	$effect(() => {
		typed.tilt = String(field?.tilt ?? '');
		typed.azimuth = String(field?.azimuth ?? '');
	});
	// svelte-ignore state_referenced_locally
	let typed = $state<Record<string, string>>({
		isc: '',
		voc: '',
		square: '',
		height: '',
		shadow: '',
		latitude: String(record.location?.latitude ?? ''),
		longitude: String(record.location?.longitude ?? ''),
		altitude: String(record.location?.altitude ?? ''),
		turbidity: String(USUAL_TURBIDITY),
		tilt: '',
		azimuth: '',
		back: '',
		air: '',
		wind: ''
	});
	// svelte-ignore state_referenced_locally
	let typeId = $state(record.moduleTypes[0]?.id ?? '');

	const ANY = { min: -1e5, max: 1e5, unit: '' };
	/** Figures of some fields; words where one is none. */
	function figures(...names: string[]): number[] | null {
		const values: number[] = [];
		for (const name of names) {
			const read = readFigure(typed[name] ?? '', ANY);
			if (!read.ok) {
				problem = read.problem;
				return null;
			}
			values.push(read.value);
		}
		return values;
	}

	function take(): void {
		problem = '';
		const found = work();
		if (!found) return;
		if ('ok' in found) {
			if (found.ok) ontake(found.value);
			else problem = found.problem;
			return;
		}
		ontake(found);
	}

	function work() {
		switch (route) {
			case 'control': {
				const type = record.moduleTypes.find(({ id }) => id === typeId);
				const values = figures('isc', 'voc');
				return type && values ? byReferenceModule(type.plate, values[0]!, values[1]!) : null;
			}
			case 'siblings': {
				const found = conditionsFromPeers(record, session.effective, fieldId || null);
				return found.ok
					? { ...found, value: { ...found.value, basis: 'the strings’ own readings together' } }
					: found;
			}
			case 'shadow': {
				const values = figures('square', 'height', 'shadow');
				return values && byShadow(values[0]!, values[1]!, values[2]!);
			}
			case 'sky': {
				const altitude = (typed.altitude ?? '').trim() === '' ? [0] : figures('altitude');
				const values = altitude && figures('latitude', 'longitude', 'turbidity', 'tilt', 'azimuth');
				if (!values) return null;
				const [latitude, longitude, turbidity, tilt, azimuth] = values as [
					number,
					number,
					number,
					number,
					number
				];
				const observer = { latitude, longitude, altitude: altitude[0]! };
				return byClearSky(observer, { tilt, azimuth }, session.now, turbidity);
			}
			case 'back':
			case 'air': {
				if (irradiance === null) {
					problem =
						'Enter the irradiance first: the cells are warmer than back and air by its share.';
					return null;
				}
				const values = figures(route);
				if (!values) return null;
				if (route === 'back') return byBackProbe(values[0]!, irradiance);
				const wind = (typed.wind ?? '').trim() === '' ? [null] : figures('wind');
				return wind && byAir(values[0]!, wind[0] ?? null, irradiance);
			}
			case null:
				return null;
		}
	}
	const FIELDS: Readonly<Record<Route, readonly (readonly [string, string, string])[]>> = {
		control: [
			['isc', 'Its short-circuit current', 'A'],
			['voc', 'Its open-circuit volts', 'V']
		],
		siblings: [],
		shadow: [
			['square', 'Sensor square to the sun', 'W/m²'],
			['height', 'Height of the object, square to the glass', 'cm'],
			['shadow', 'Length of its shadow', 'cm']
		],
		sky: [
			['latitude', 'Latitude, north positive', '°'],
			['longitude', 'Longitude, east positive', '°'],
			['altitude', 'Altitude, if known', 'm'],
			['turbidity', 'Turbidity: 2 clean, 3 usual, 5 hazy', ''],
			['tilt', 'Tilt of the modules', '°'],
			['azimuth', 'Azimuth, south is 180', '°']
		],
		back: [['back', 'Back of a module, in its middle', '°C']],
		air: [
			['air', 'Air in the shade', '°C'],
			['wind', 'Wind, if known', 'm/s']
		]
	};
</script>

<details class="panel" bind:open={opened}>
	<summary>
		<ChevronRight size={20} aria-hidden="true" />No sensor, or not sure? Work it out
	</summary>
	{#if fromPeers?.ok}
		<p class="best">
			Best at hand now: the strings themselves,
			<span class="figure">{fromPeers.value.irradiance.value.toFixed(0)} W/m²</span>
			± {(200 * fromPeers.value.irradiance.relativeStandardUncertainty).toFixed(0)} %,
			<span class="figure">{fromPeers.value.cellTemperature.value.toFixed(0)} °C</span>
			± {(2 * fromPeers.value.cellTemperature.standardUncertainty).toFixed(0)} K. A known good module
			beside them sees what all strings share.
		</p>
	{:else if opened}
		<p class="best">
			Best at hand: a known good module, read at the same moment. Once strings are read they tell
			light and heat themselves.
		</p>
	{/if}
	<div class="routes" role="group" aria-label="Ways to the conditions, the surest first">
		{#each ROUTES as [name, words, sure] (name)}
			<button
				type="button"
				aria-pressed={route === name}
				onclick={() => {
					route = name;
					problem = '';
				}}>{words} <span class="soft figure">{sure}</span></button
			>
		{/each}
	</div>
	{#if route}
		<div class="fields">
			{#if route === 'control'}
				<label>
					Its type
					<select class="bare" bind:value={typeId}>
						{#each record.moduleTypes as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</select>
				</label>
			{/if}
			{#each FIELDS[route] as [name, label, unit] (name)}
				<Field {name} {label} {unit} bind:value={typed[name]!} figures />
			{/each}
		</div>
		{#if route === 'siblings'}
			<p class="soft">
				Strings of one plane share light and heat: running currents give the light, open-circuit
				volts the heat. What all of them share, soiling or a wrong label, does not show this way.
			</p>
		{/if}
		{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
		<button type="button" class="act-plain" onclick={take}>Take it over above</button>
	{/if}
</details>

<style>
	details {
		padding: 0.4rem 1.1rem 1rem;
		margin-top: 1rem;
	}

	summary {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 46px;
		font-weight: 600;
		color: var(--accent);
	}

	details[open] :global(summary svg) {
		transform: rotate(90deg);
	}

	.best {
		margin-bottom: 0.8rem;
		line-height: 1.45;
	}

	.routes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}

	.routes button {
		min-height: 46px;
		padding: 0 0.9rem;
		background: var(--paper);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-weight: 600;
	}

	.routes [aria-pressed='true'] {
		background: var(--lit);
		outline: 3px solid var(--accent);
		outline-offset: -1px;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
		gap: 0.8rem 1rem;
		margin: 1rem 0;
	}

	label {
		display: grid;
		font-weight: 600;
		align-content: start;
	}
</style>
