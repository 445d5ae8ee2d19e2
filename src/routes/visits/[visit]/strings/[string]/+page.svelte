<script lang="ts">
	import { onMount } from 'svelte';
	import { browser } from '$app/environment';
	import { goto, replaceState } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { FAULTS, findCurrentReadings, isStringReading, stringOfPlace } from '$core/visit';
	import type { Study } from '$core/faults';
	import StringChart from '$lib/charts/StringChart.svelte';
	import type { DrawnReading } from '$lib/charts/string-option';
	import { figureOf } from '$lib/text/format';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import { faultsOf, fromAddress, loadOf, toAddress, type Supposed } from '$lib/ui/what-if-address';
	import { startStudyWorker } from '$lib/workers/study';
	import Consequences from './Consequences.svelte';
	import ModuleField from './ModuleField.svelte';
	import ReadOut from './ReadOut.svelte';
	import Supposing from './Supposing.svelte';

	const session = useVisit();
	const record = $derived(session.document.record);
	const string = $derived(record.strings.find(({ id }) => id === page.params.string));
	const type = $derived(record.moduleTypes.find(({ id }) => id === string?.moduleTypeId));
	const substrings = $derived(type?.plate.sections ?? 3);
	const peers = $derived(
		record.strings
			.filter((other) => other !== string && other.input !== null && other.input === string?.input)
			.map(({ label }) => label)
	);
	/** Volts that a held bus starts from: as read, or of the label. */
	const usualVoltage = $derived.by(() => {
		const read = [...findCurrentReadings(session.document.visit).values()].find(
			(reading) => reading.atVolts !== null && stringOfPlace(reading.place) === string?.id
		);
		return Math.round(read?.atVolts ?? (type?.plate.vmp ?? 30) * (string?.moduleCount ?? 1));
	});

	let supposed = $state.raw(readAddress());
	// svelte-ignore state_referenced_locally
	let module = $state(supposed.fault ? supposed.module : (supposed.lights[0]?.module ?? 0));
	// svelte-ignore state_referenced_locally
	let substring = $state(supposed.fault ? null : (supposed.lights[0]?.section ?? null));
	let study = $state.raw<Study | null>(null);
	let problem = $state('');
	let nothing = $state(false);

	function readAddress(): Supposed {
		const query = browser ? page.url.searchParams : new URLSearchParams();
		return fromAddress(query, string?.moduleCount ?? 1, substrings, usualVoltage);
	}

	let worker: ReturnType<typeof startStudyWorker> | null = null;
	/** The newest question waits while one is answered; those between are passed over. */
	let busy = false;
	let waiting: Supposed | null = null;

	async function ask(asked: Supposed) {
		if (busy || !worker || !string) {
			waiting = asked;
			return;
		}
		busy = true;
		const answer = await worker.core.ask({
			lights: asked.lights,
			faults: faultsOf(asked, string.label),
			alone: asked.alone,
			load: loadOf(asked)
		});
		busy = false;
		if (answer?.ok) {
			study = answer.value;
			problem = '';
		} else if (answer) problem = answer.problem;
		if (waiting) {
			const next = waiting;
			waiting = null;
			void ask(next);
		}
	}

	let settle: ReturnType<typeof setTimeout> | undefined;
	function change(next: Supposed) {
		supposed = next;
		void ask(next);
		// The address follows when the hand rests: browsers limit how often it may change.
		clearTimeout(settle);
		settle = setTimeout(() => {
			const query = toAddress(next).toString();
			// eslint-disable-next-line svelte/no-navigation-without-resolve -- the same page, another query
			replaceState(query ? `?${query}` : page.url.pathname, {});
		}, 300);
	}

	onMount(() => {
		worker = startStudyWorker();
		return () => {
			clearTimeout(settle);
			worker?.stop();
		};
	});
	// Another string, or new readings: the worker takes the input anew.
	$effect(() => {
		const { visit } = session.document;
		if (!worker || !string) return;
		const { id } = string;
		const [taken, from] = [worker, record];
		void taken.core.take(from, visit, id).then((names) => {
			nothing = names === null;
			if (!nothing) void ask(supposed);
		});
	});

	const readings = $derived.by((): DrawnReading[] =>
		[...findCurrentReadings(session.document.visit).values()]
			.filter(isStringReading)
			.filter(({ place }) => place.string === string?.id)
			.map((reading) => {
				switch (reading.quantity) {
					case 'open-circuit-voltage':
						return {
							words: `read ${figureOf(reading.value, 'V')} V`,
							voltage: reading.value,
							current: 0
						};
					case 'short-circuit-current':
						return {
							words: `read ${figureOf(reading.value, 'A')} A`,
							voltage: 0,
							current: reading.value
						};
					case 'operating-current':
						return {
							words: `read ${figureOf(reading.value, 'A')} A`,
							voltage: reading.atVolts ?? 0,
							current: reading.value
						};
				}
			})
	);
	const faultAt = $derived.by(() => {
		if (!supposed.fault) return null;
		const { place } = FAULTS[supposed.fault];
		if (place === 'string') return null;
		return { module: supposed.module, section: place === 'section' ? supposed.section : null };
	});
	const chartWords = $derived(
		study && string
			? `Amps over volts of string ${string.label}. Open circuit ${figureOf(study.shown.voc, 'V')} V, short circuit ${figureOf(study.shown.isc, 'A')} A, on its load ${figureOf(study.shown.voltage, 'V')} V and ${figureOf(study.shown.current, 'A')} A.`
			: ''
	);
	const hrefOf = (id: string) =>
		resolve('/visits/[visit]/strings/[string]', { visit: session.document.visit.id, string: id });
</script>

<svelte:head
	><title>{string?.label ?? 'String'} · {session.document.site.name} · Zembo</title></svelte:head
>

<div class="page">
	{#if !string}
		<h1>There is no such string</h1>
		<p>The record of this visit has no string at this address. Choose one where it is measured.</p>
	{:else}
		<header>
			<h1>What would <span class="figure">{string.label}</span> read, if</h1>
			<label class="other">
				<span class="sr-only">String</span>
				<select
					value={string.id}
					onchange={(event) => {
						supposed = { ...supposed, lights: [], fault: null };
						// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved in hrefOf
						void goto(hrefOf(event.currentTarget.value));
					}}
				>
					{#each record.strings as other (other.id)}
						<option value={other.id}>{other.label}, {other.moduleCount} modules</option>
					{/each}
				</select>
			</label>
		</header>
		{#if nothing}
			<p class="notice">
				There is no curve yet: it needs irradiance and cell temperature, and a module type for this
				string.
				<a href={resolve('/visits/[visit]/test-conditions', { visit: session.document.visit.id })}
					>Enter the conditions</a
				>
			</p>
		{:else}
			<div class="split">
				<div class="main">
					<ul class="legend" aria-hidden="true">
						<li><i class="dashed"></i> as recorded</li>
						<li><i class="solid"></i> now</li>
						<li><i class="ring"></i> on its load</li>
						<li><i class="dot"></i> a maximum</li>
						{#if readings.length > 0}<li><i class="cross">×</i> read</li>{/if}
					</ul>
					<div class="chart" data-answer={study ? 'yes' : 'no'}>
						{#if study}
							<StringChart {study} {readings} words={chartWords} />
						{:else}<p class="soft">Working it out.</p>{/if}
					</div>
					{#if problem}<p class="notice" data-kind="error">{problem}</p>{/if}
					<ModuleField
						modules={string.moduleCount}
						sections={substrings}
						lights={supposed.lights}
						{faultAt}
						chosen={module}
						onchoose={(m) => (module = m)}
					/>
				</div>
				<div class="side">
					<Supposing
						{supposed}
						sections={substrings}
						{module}
						section={substring}
						{peers}
						input={string.input}
						hasFuse={string.fuse !== null}
						onchange={change}
						onsection={(s) => (substring = s)}
					/>
				</div>
				{#if study}
					<div class="numbers">
						<ReadOut
							{study}
							modules={string.moduleCount}
							shared={!supposed.alone && peers.length > 0}
						/>
						<Consequences {study} name={string.label} />
					</div>
				{/if}
			</div>
		{/if}
	{/if}
</div>

<style>
	.page {
		padding-top: 1rem;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 0.5rem 1rem;
		margin-bottom: 0.75rem;
	}

	h1 {
		font-size: 1.6rem;
	}

	select {
		min-height: 44px;
		padding: 0.3rem 2.2rem 0.3rem 0.7rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.split {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		gap: 1rem 1.5rem;
		align-items: start;
	}

	.side {
		grid-row: span 2;
	}

	.chart {
		height: 18.5rem;
	}

	.numbers {
		display: grid;
		gap: 0.9rem;
	}

	.legend {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.1rem;
		font-size: 0.95rem;
		list-style: none;
		padding: 0;
	}

	.legend li {
		display: flex;
		align-items: center;
		gap: 0.45rem;
	}

	i {
		display: inline-block;
		width: 1.6rem;
		font-style: normal;
		text-align: center;
	}

	.dashed {
		border-top: var(--stroke) dashed var(--ink);
	}

	.solid {
		border-top: calc(2.2 * var(--stroke)) solid var(--accent);
	}

	.ring {
		width: 0.95rem;
		height: 0.95rem;
		border: calc(1.6 * var(--stroke)) solid var(--ink);
		border-radius: 50%;
	}

	.dot {
		width: 0.5rem;
		height: 0.5rem;
		background: var(--accent);
		border-radius: 50%;
	}

	.cross {
		width: auto;
		color: var(--off);
		font-weight: 700;
		font-size: 1.3rem;
		line-height: 1;
	}

	@media (max-width: 900px) {
		.split {
			grid-template-columns: minmax(0, 1fr);
		}

		.side {
			grid-row: auto;
		}

		/* The curve stays in sight while the hand is on a slider below it. */
		.main {
			display: contents;
		}

		.legend {
			margin-bottom: -0.9rem;
		}

		.chart {
			position: sticky;
			top: 0;
			z-index: 2;
			height: 15rem;
			background: var(--paper);
		}
	}
</style>
