<script lang="ts">
	import { type FigureLimits, figureOrUnknown, readFigure, RECORD_LIMITS } from '$core/document';
	import {
		EDITIONS,
		type SiteRules,
		STRUCTURE_WORDS,
		STRUCTURES,
		type System,
		SYSTEM_WORDS,
		SYSTEMS
	} from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import type { RecordSession } from '$lib/session/record-session.svelte';

	let { session }: { session: RecordSession } = $props();

	const typedOf = ({ record }: RecordSession) => ({
		system: record.system ?? '',
		profile: record.rules.profile as string,
		edition: String(record.rules.edition ?? ''),
		structure: record.rules.structure ?? '',
		lowest: String(record.rules.lowest ?? ''),
		hottestCell: String(record.rules.hottestCell ?? ''),
		since: String(record.inServiceSince ?? ''),
		latitude: String(record.location?.latitude ?? ''),
		longitude: String(record.location?.longitude ?? ''),
		altitude: String(record.location?.altitude ?? ''),
		alwaysFuse: record.rules.alwaysFuse
	});
	// svelte-ignore state_referenced_locally
	let typed = $state(typedOf(session));
	let errors = $state<
		Partial<
			Record<'lowest' | 'hottestCell' | 'since' | 'latitude' | 'longitude' | 'altitude', string>
		>
	>({});
	let done = $state(false);

	const wrong = (text: string, limits: FigureLimits) => {
		if (text.trim() === '') return undefined;
		const read = readFigure(text, limits);
		return read.ok ? undefined : read.problem;
	};

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const found = {
			lowest: wrong(typed.lowest, RECORD_LIMITS.lowest),
			hottestCell: wrong(typed.hottestCell, RECORD_LIMITS.hottestCell),
			since: wrong(typed.since, RECORD_LIMITS.year),
			latitude: wrong(typed.latitude, RECORD_LIMITS.latitude),
			longitude: wrong(typed.longitude, RECORD_LIMITS.longitude),
			altitude: wrong(typed.altitude, RECORD_LIMITS.altitude)
		};
		const [latitude, longitude] = [typed.latitude, typed.longitude].map(figureOrUnknown);
		if ((latitude === null) !== (longitude === null)) {
			const missing = latitude === null ? 'latitude' : 'longitude';
			found[missing] = 'Enter both latitude and longitude, or neither.';
		}
		errors = Object.fromEntries(Object.entries(found).filter(([, words]) => words));
		if (Object.keys(errors).length > 0) return;
		const rules: SiteRules = {
			profile: typed.profile as SiteRules['profile'],
			edition: typed.edition === '' ? null : (Number(typed.edition) as SiteRules['edition']),
			structure: typed.structure === '' ? null : (typed.structure as SiteRules['structure']),
			lowest: figureOrUnknown(typed.lowest),
			hottestCell: figureOrUnknown(typed.hottestCell),
			alwaysFuse: typed.alwaysFuse
		};
		done = await session.change('Site and rules changed', [
			{ op: 'set', fact: 'system', value: typed.system === '' ? null : (typed.system as System) },
			{ op: 'set', fact: 'rules', value: rules },
			{ op: 'set', fact: 'inServiceSince', value: figureOrUnknown(typed.since) },
			{
				op: 'set',
				fact: 'location',
				value:
					latitude == null || longitude == null
						? null
						: { latitude, longitude, altitude: figureOrUnknown(typed.altitude) }
			}
		]);
	}
	const UNKNOWN = { value: '', words: 'Not known yet' };
	const listOf = (words: Readonly<Record<string, string>>, values: readonly string[]) => [
		UNKNOWN,
		...values.map((value) => ({ value, words: words[value]! }))
	];
</script>

<section id="site">
	<h2>Site and rules</h2>
	<form onsubmit={store} oninput={() => (done = false)}>
		<Choice
			label="Behind the modules"
			name="system"
			bind:value={typed.system}
			options={listOf(SYSTEM_WORDS, SYSTEMS)}
		/>
		<Choice
			label="Stands"
			name="structure"
			bind:value={typed.structure}
			options={listOf(STRUCTURE_WORDS, STRUCTURES)}
		/>
		<Choice
			label="Rules"
			name="profile"
			bind:value={typed.profile}
			options={[
				{ value: 'IEC', words: 'IEC (62548-1, 62446-1, 60364-7-712)' },
				{ value: 'US', words: 'US (NEC)' }
			]}
		/>
		{#if typed.profile === 'US'}
			<Choice
				label="Edition"
				name="edition"
				bind:value={typed.edition}
				options={[
					UNKNOWN,
					...EDITIONS.map((year) => ({ value: String(year), words: `NEC ${year}` }))
				]}
			/>
		{/if}
		<Field
			label="Lowest air temperature"
			name="lowest"
			bind:value={typed.lowest}
			errors={errors.lowest ? [errors.lowest] : []}
			unit="°C"
			figures
			help="The coldest morning of many years: cold volts hang on it"
		/>
		<Field
			label="Hottest cells"
			name="hottestCell"
			bind:value={typed.hottestCell}
			errors={errors.hottestCell ? [errors.hottestCell] : []}
			unit="°C"
			figures
			help="Air on the hottest day plus 25 to 35 K"
		/>
		<Field
			label="In service since"
			name="inServiceSince"
			bind:value={typed.since}
			errors={errors.since ? [errors.since] : []}
			unit="year"
			figures
			help="For ageing; empty if unknown"
		/>
		<Field
			label="Latitude"
			name="latitude"
			bind:value={typed.latitude}
			errors={errors.latitude ? [errors.latitude] : []}
			unit="°"
			figures
			help="North is positive; for the position of the sun"
		/>
		<Field
			label="Longitude"
			name="longitude"
			bind:value={typed.longitude}
			errors={errors.longitude ? [errors.longitude] : []}
			unit="°"
			figures
			help="East is positive, west negative"
		/>
		<Field
			label="Altitude"
			name="altitude"
			bind:value={typed.altitude}
			errors={errors.altitude ? [errors.altitude] : []}
			unit="m"
			figures
			help="Above sea level; empty if unknown"
		/>
		<label class="tick">
			<input type="checkbox" bind:checked={typed.alwaysFuse} />
			House rule: a fuse in every parallel string
		</label>
		<p>
			<button class="act-plain">Store site and rules</button>
			{#if done}<span role="status">Stored.</span>{/if}
		</p>
	</form>
</section>

<style>
	section {
		margin-top: 1.8rem;
	}

	h2 {
		font-size: 1.25rem;
		margin-bottom: 0.5rem;
	}

	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
		gap: 0.9rem 1.4rem;
		border-top: var(--stroke) solid var(--rule);
		padding-top: 0.8rem;
	}

	.tick {
		display: flex;
		align-items: center;
		gap: 0.7rem;
		min-height: 44px;
	}

	input[type='checkbox'] {
		width: 24px;
		height: 24px;
	}

	p {
		grid-column: 1 / -1;
		display: flex;
		align-items: center;
		gap: 1rem;
	}
</style>
