<script lang="ts">
	import { untrack } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import { type FigureLimits, type MonitoringSettings, readFigure } from '$core/document';
	import Field from '$lib/ui/Field.svelte';
	import { sendJson } from '$lib/session/send-json';

	let { data } = $props();
	const LIMITS = {
		latitude: { min: -90, max: 90, unit: '°' },
		longitude: { min: -180, max: 180, unit: '°' },
		price: { min: 0, max: 1000, unit: '' },
		limit: { min: 30, max: 100, unit: '%' }
	} as const satisfies Record<string, FigureLimits>;
	const text = (value: number | null) => (value === null ? '' : String(value));
	const typed = $state(
		untrack(() => ({
			latitude: text(data.settings.latitude),
			longitude: text(data.settings.longitude),
			price: text(data.settings.price),
			currency: data.settings.currency,
			limit: String(Math.round(100 * data.settings.limit)),
			days: data.settings.benchmarkDays?.join(', ') ?? ''
		}))
	);
	let words = $state('');
	let stored = $state(false);

	const DAY = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
	const days = $derived(
		typed.days
			.split(/[\s,;]+/)
			.map((day) => day.trim())
			.filter(Boolean)
	);
	const errors = $derived({
		latitude: errorsOf('latitude'),
		longitude: errorsOf('longitude'),
		price: errorsOf('price'),
		limit: errorsOf('limit'),
		days: days.every((day) => DAY.test(day))
			? []
			: ['Write each day as month and day, such as 06-21, with commas between.']
	});
	const bad = $derived(Object.values(errors).some((list) => list.length > 0));

	function errorsOf(key: keyof typeof LIMITS): string[] {
		if (typed[key].trim() === '' && key !== 'limit') return [];
		const read = readFigure(typed[key], LIMITS[key]);
		return read.ok ? [] : [read.problem];
	}
	function figure(key: keyof typeof LIMITS): number | null {
		const read = readFigure(typed[key], LIMITS[key]);
		return read.ok ? read.value : null;
	}

	/** What the person had before them when they began to change it. */
	// svelte-ignore state_referenced_locally
	let seen: MonitoringSettings = data.settings;

	async function store(): Promise<void> {
		const settings: MonitoringSettings = {
			latitude: figure('latitude'),
			longitude: figure('longitude'),
			price: figure('price'),
			currency: typed.currency.trim(),
			benchmarkDays: days.length > 0 ? days : null,
			limit: (figure('limit') ?? 80) / 100
		};
		const answer = await sendJson<MonitoringSettings>(
			`/sites/${data.site.id}/monitoring/settings`,
			{
				settings,
				seen
			}
		);
		stored = answer.ok;
		words = answer.ok ? '' : answer.words;
		if (!answer.ok) return;
		seen = answer.body;
		await invalidateAll();
	}
</script>

<svelte:head><title>Settings of the watch · {data.site.name} · Zembo</title></svelte:head>

<h1>What the watch goes by</h1>
<form
	onsubmit={(event) => {
		event.preventDefault();
		if (!bad) void store();
	}}
	oninput={() => (stored = false)}
>
	<section>
		<h2>Where the array is</h2>
		<p class="soft">
			Tells clear days, clipping’s loss, soiling on all of it and a drifting sensor. A tenth of a
			degree is enough.
		</p>
		<div class="fields">
			<Field
				label="Latitude"
				name="latitude"
				unit="° north"
				figures
				bind:value={typed.latitude}
				errors={errors.latitude}
			/>
			<Field
				label="Longitude"
				name="longitude"
				unit="° east"
				figures
				bind:value={typed.longitude}
				errors={errors.longitude}
			/>
		</div>
	</section>
	<section>
		<h2>What a kWh is worth</h2>
		<div class="fields">
			<Field
				label="Price"
				name="price"
				figures
				bind:value={typed.price}
				errors={errors.price}
				help="Of one kWh"
			/>
			<Field label="Currency" name="currency" bind:value={typed.currency} maxlength={12} />
		</div>
	</section>
	<section>
		<h2>Benchmark days</h2>
		<div class="fields">
			<Field
				label="Days of the year"
				name="days"
				bind:value={typed.days}
				errors={errors.days}
				help="Such as 03-20, 06-21. Empty: the two equinoxes and the two solstices."
			/>
			<Field
				label="Too far aged below"
				name="limit"
				unit="% of label"
				figures
				bind:value={typed.limit}
				errors={errors.limit}
			/>
		</div>
	</section>
	{#if words}<p class="notice" data-kind="error" role="alert">{words}</p>{/if}
	<p class="acts">
		<button class="act" disabled={bad}>Store</button>
		{#if stored}<span role="status">Stored.</span>{/if}
	</p>
</form>

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1.2rem 0 0.8rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	form {
		display: grid;
		gap: 1.6rem;
		max-width: 44rem;
	}

	section {
		display: grid;
		gap: 0.5rem;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
		gap: 0.8rem 1.5rem;
	}

	.acts {
		display: flex;
		align-items: center;
		gap: 1rem;
	}
</style>
