<script lang="ts">
	import { type Exercise, type Offer, offersAt, sharedMeasurementPoints } from '$core/training';
	import { type Place, placeWords, type Quantity, QUANTITY_FACTS, stringPlace } from '$core/visit';
	import { opensSomething } from '$core/isolation';
	import { testFactsOf } from '$core/diagnosis';
	import type { TakenLine } from '$lib/session/training-session.svelte';
	import Stepper from '$lib/ui/Stepper.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		exercise: Exercise;
		/** The reading taken last. */
		last: TakenLine | null;
		problem: string;
		/** The string that is looked at; empty for what the strings share. */
		stringId: string;
		read: (place: Place, quantity: Quantity) => void;
	}
	let { exercise, last, problem, stringId = $bindable(), read }: Props = $props();

	const record = $derived(exercise.scenario.record);
	const string = $derived(record.strings.find(({ id }) => id === stringId));
	const offers = $derived(string ? offersAt(string) : []);
	const shared = $derived(sharedMeasurementPoints(exercise));
	let chosen = $state(0);
	let sharedAt = $state(0);
	let module = $state(1);
	let substring = $state(1);
	let connector = $state(0);
	let from = $state(1);
	let to = $state(1);
	let pole = $state<'positive' | 'negative'>('positive');

	const KIND_WORDS: Readonly<Record<Offer['kind'], string>> = {
		string: '',
		fuse: '',
		stretch: '',
		joint: '',
		module: ', one module',
		section: ', one section'
	};
	const offer = $derived(offers[Math.min(chosen, offers.length - 1)]);
	const count = $derived(string?.moduleCount ?? 1);
	const substrings = $derived(record.moduleTypes[0]!.plate.sections);
	const spot = $derived.by((): { place: Place; quantity: Quantity } | null => {
		if (!string) return shared[sharedAt] ?? null;
		if (!offer) return null;
		const { quantity } = offer;
		const at = { string: string.id };
		switch (offer.kind) {
			case 'string':
				return { quantity, place: stringPlace(string.id) };
			case 'fuse':
				return { quantity, place: { kind: 'fuse', ...at, pole } };
			case 'stretch':
				return {
					quantity,
					place: { kind: 'stretch', ...at, from: Math.min(from, to) - 1, to: Math.max(from, to) }
				};
			case 'joint':
				return { quantity, place: { kind: 'joint', ...at, joint: connector } };
			case 'module':
				return { quantity, place: { kind: 'module', ...at, module, section: null } };
			case 'section':
				return { quantity, place: { kind: 'module', ...at, module, section: substring } };
		}
	});
	const facts = $derived(spot && testFactsOf(spot.quantity, spot.place));
	// Numbers of a longer string do not fit a shorter one.
	$effect(() => {
		module = Math.min(module, count);
		connector = Math.min(connector, count);
		from = Math.min(from, count);
		to = Math.min(to, count);
	});
</script>

<form
	class="panel asks"
	aria-label="Virtual meter"
	onsubmit={(event) => {
		event.preventDefault();
		if (spot) read(spot.place, spot.quantity);
	}}
>
	<p class="shows" role="status">
		{#if last}
			<span class="figure">{last.figure}</span>
			<span class="soft">{last.where}, {last.what.toLowerCase()}</span>
		{:else}
			<span class="figure">—</span>
			<span class="soft">nothing read yet</span>
		{/if}
	</p>
	<div class="two">
		<label>
			<span>At</span>
			<select name="at" bind:value={stringId}>
				{#each record.strings as { id, label } (id)}<option value={id}>{label}</option>{/each}
				<option value="">what they share</option>
			</select>
		</label>
		<label>
			<span>What</span>
			{#if string}
				<select name="what" bind:value={chosen}>
					{#each offers as { quantity, kind }, i (i)}
						<option value={i}>{QUANTITY_FACTS[quantity].words}{KIND_WORDS[kind]}</option>
					{/each}
				</select>
			{:else}
				<select name="what" bind:value={sharedAt}>
					{#each shared as { place, quantity }, i (i)}
						<option value={i}>{placeWords(record, place)}: {QUANTITY_FACTS[quantity].words}</option>
					{/each}
				</select>
			{/if}
		</label>
	</div>
	{#if offer && string}
		<div class="numbers">
			{#if offer.kind === 'fuse'}
				<label>
					<span>Pole</span>
					<select name="pole" bind:value={pole}>
						<option value="positive">plus</option>
						<option value="negative">minus</option>
					</select>
				</label>
			{:else if offer.kind === 'stretch'}
				<Stepper label="From module" name="from" bind:value={from} max={count} />
				<Stepper label="to module" name="to" bind:value={to} max={count} />
			{:else if offer.kind === 'joint'}
				<Stepper
					label="Joint above module (0: the lead below module 1)"
					name="joint"
					min={0}
					bind:value={connector}
					max={count}
				/>
			{:else if offer.kind === 'module' || offer.kind === 'section'}
				<Stepper
					label="Module, 1 at the negative end"
					name="module"
					bind:value={module}
					max={count}
				/>
				{#if offer.kind === 'section'}
					<Stepper label="Section" name="section" bind:value={substring} max={substrings} />
				{/if}
			{/if}
		</div>
	{/if}
	{#if spot}
		<p class="how soft">
			{QUANTITY_FACTS[spot.quantity].meter}. {facts?.how ?? ''}
		</p>
		{#if facts && opensSomething(facts.exposure)}
			<p class="caution">
				At a real array, complete the isolation steps first.
				{#each facts.cautions ?? [] as { text, source } (text.code)}{speak(text)} ({speak(source)})
				{/each}
			</p>
		{/if}
	{/if}
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	<button class="act">Read{facts ? `, ${facts.minutes} min` : ''}</button>
</form>

<style>
	form {
		display: grid;
		gap: 0.7rem;
		padding: 0.9rem 1.1rem 1.1rem;
	}

	.shows {
		display: grid;
		justify-items: end;
		padding: 0.4rem 0.8rem;
		background: var(--well);
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
	}

	.shows .figure {
		font-size: 2.2rem;
		font-weight: 650;
		line-height: 1.1;
	}

	.two {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
		gap: 0.7rem;
	}

	.numbers {
		display: flex;
		flex-wrap: wrap;
		gap: 0.7rem 1.2rem;
	}

	.numbers:empty {
		display: none;
	}

	.how {
		font-size: 0.95rem;
		line-height: 1.35;
	}

	.caution {
		border-inline-start: 5px solid var(--look);
		padding-inline-start: 0.7rem;
		line-height: 1.35;
		font-size: 0.95rem;
	}

	.act {
		min-height: 52px;
	}
</style>
