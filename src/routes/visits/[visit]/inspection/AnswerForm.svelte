<script lang="ts">
	import CameraIcon from '@lucide/svelte/icons/camera';
	import { INFRARED_LIMITS, readFigure } from '$core/document';
	import type { ArrayRecord } from '$core/record';
	import {
		type InfraredPattern,
		type InspectionEntry,
		type InspectionPlace,
		type InspectionStop,
		PATTERNS,
		scaleInfrared,
		SEVERITIES,
		type Severity,
		SEVERITY_WORDS
	} from '$core/inspection';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import type { Answer, InspectionSession } from '$lib/session/inspection-session.svelte';

	interface Props {
		kind: 'finding' | 'not-seen' | 'infrared';
		stop: InspectionStop;
		record: ArrayRecord;
		session: InspectionSession;
		/** The answer that is changed. */
		from: InspectionEntry | null;
		onstore: (answer: Answer) => void;
		onclose: () => void;
	}
	let { kind, stop, record, session, from, onstore, onclose }: Props = $props();

	const WHY = ['covered', 'locked', 'no way up', 'too dark', 'not switched off'];
	const imp = (stringId: string) => {
		const string = record.strings.find(({ id }) => id === stringId);
		return record.moduleTypes.find(({ id }) => id === string?.moduleTypeId)?.plate.imp;
	};
	// svelte-ignore state_referenced_locally
	const start = from;
	const startPlace = start?.place && start.place.kind !== 'part' ? start.place : null;
	let words = $state(start?.words ?? '');
	let severity = $state<Severity>(start?.severity ?? 'mend-soon');
	let stringId = $state(startPlace?.stringId ?? '');
	let module = $state(startPlace?.kind === 'module' ? String(startPlace.module) : '');
	let photographs = $state.raw<readonly string[]>(start?.photographs ?? []);
	let pattern = $state<InfraredPattern>(start?.infrared?.pattern ?? 'cell');
	let difference = $state(String(start?.infrared?.difference ?? ''));
	let current = $state(String(start?.infrared?.amps ?? ''));
	// svelte-ignore state_referenced_locally
	let fullCurrent = $state(
		String(start?.infrared?.fullAmps ?? record.moduleTypes[0]?.plate.imp ?? '')
	);
	let errors = $state.raw<Record<string, string>>({});
	let busy = $state(0);
	let problem = $state('');

	const string = $derived(record.strings.find(({ id }) => id === stringId));
	const infrared = $derived.by(() => {
		const read = [
			readFigure(difference, INFRARED_LIMITS.difference),
			readFigure(current, INFRARED_LIMITS.amps),
			readFigure(fullCurrent, INFRARED_LIMITS.amps)
		];
		const [k, a, full] = read.map((figure) => (figure.ok ? figure.value : null));
		return k && a && full ? { pattern, difference: k, amps: a, fullAmps: full } : null;
	});

	async function add(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const files = [...(input.files ?? [])];
		input.value = '';
		problem = '';
		for (const file of files) {
			busy++;
			const stored = await session.photograph(file);
			busy--;
			if (stored.ok) photographs = [...photographs, stored.id];
			else problem = stored.words;
		}
	}

	function placeOf(): InspectionPlace | null {
		if (!string) return stop.part ? { kind: 'part', partId: stop.part.id } : null;
		const number = Number(module);
		return module.trim() === ''
			? { kind: 'string', stringId: string.id }
			: { kind: 'module', stringId: string.id, module: number };
	}

	function store(event: SubmitEvent): void {
		event.preventDefault();
		const found: Record<string, string> = {};
		if (kind !== 'infrared' && words.trim() === '') {
			found.words = kind === 'finding' ? 'Say what was found.' : 'Say why it could not be seen.';
		}
		if (string && module.trim() !== '') {
			const read = readFigure(module, { min: 1, max: string.moduleCount, unit: '', whole: true });
			if (!read.ok) found.module = read.problem;
		}
		if (kind === 'infrared' && !infrared) {
			found.difference = 'Type the difference, the clamp’s amps at that moment, and full current.';
		}
		errors = found;
		if (Object.keys(found).length > 0) return;
		onstore({
			stop: stop.key,
			outcome: kind === 'not-seen' ? 'not-seen' : 'finding',
			severity: kind === 'not-seen' ? null : severity,
			place: placeOf(),
			words: words.trim(),
			measured: null,
			infrared: kind === 'infrared' ? infrared : null,
			photographs
		});
	}
</script>

<form onsubmit={store} class="panel">
	{#if kind === 'not-seen'}
		<div class="chips">
			{#each WHY as why (why)}
				<button type="button" aria-pressed={words === why} onclick={() => (words = why)}
					>{why}</button
				>
			{/each}
		</div>
	{:else}
		<div class="chips" role="group" aria-label="How soon">
			{#each SEVERITIES as value (value)}
				<button type="button" aria-pressed={severity === value} onclick={() => (severity = value)}
					>{SEVERITY_WORDS[value]}</button
				>
			{/each}
		</div>
		<div class="fields">
			<Choice
				label="String"
				name="string"
				bind:value={stringId}
				onchange={() => {
					const full = imp(stringId);
					if (full) fullCurrent = String(full);
				}}
				options={[
					{ value: '', words: stop.part ? stop.part.mark : 'No one string' },
					...record.strings.map(({ id, label }) => ({ value: id, words: label }))
				]}
			/>
			{#if string}
				<Field
					label="Module, empty for all"
					name="module"
					bind:value={module}
					errors={errors.module === undefined ? [] : [errors.module]}
					help="1 to {string.moduleCount}, from the negative end"
					figures
				/>
			{/if}
			{#if kind === 'infrared'}
				<Choice
					label="Pattern"
					name="pattern"
					bind:value={pattern}
					options={PATTERNS.map((value) => ({ value, words: value }))}
				/>
				<Field
					label="Warmer than its like"
					name="difference"
					bind:value={difference}
					errors={errors.difference === undefined ? [] : [errors.difference]}
					unit="K"
					figures
				/>
				<Field label="Clamp at that moment" name="amps" bind:value={current} unit="A" figures />
				<Field
					label="Full current"
					name="fullAmps"
					bind:value={fullCurrent}
					unit="A"
					figures
					help="Label Imp of the string"
				/>
			{/if}
		</div>
		{#if infrared && kind === 'infrared'}
			<p><strong>{scaleInfrared(infrared).words}</strong></p>
		{/if}
	{/if}
	<label class="words">
		<span
			>{kind === 'not-seen'
				? 'Why'
				: kind === 'infrared'
					? 'Class, load, wind'
					: 'What was found'}</span
		>
		<textarea name="words" bind:value={words} rows="2" maxlength="2000"></textarea>
	</label>
	{#if errors.words}<p class="wrong" role="alert">{errors.words}</p>{/if}
	<div class="photographs">
		{#each photographs as id (id)}
			<span>
				<img src="/photographs/{id}" alt="Photograph" />
				<button
					type="button"
					onclick={() => (photographs = photographs.filter((other) => other !== id))}
					>leave out</button
				>
			</span>
		{/each}
		<label class="act-plain">
			<CameraIcon size={20} aria-hidden="true" />{busy > 0 ? 'Making it small…' : 'Photograph'}
			<input
				type="file"
				accept="image/jpeg,image/png,image/webp,image/heic"
				multiple
				class="sr-only"
				onchange={add}
				data-photograph
			/>
		</label>
	</div>
	{#if problem}<p class="wrong" role="alert">{problem}</p>{/if}
	<p class="acts">
		<button class="act" disabled={busy > 0}>Store</button>
		<button type="button" class="act-plain" onclick={onclose}>Close</button>
	</p>
</form>

<style>
	form {
		display: grid;
		gap: 0.7rem;
		padding: 0.9rem 1.1rem;
		margin: 0.5rem 0 0.5rem 2.4rem;
	}

	.chips {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}

	.chips button {
		min-height: 44px;
		padding: 0 0.9rem;
		font-weight: 600;
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.chips [aria-pressed='true'] {
		background: var(--ink);
		color: var(--paper);
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.6rem 1rem;
	}

	.words {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	textarea {
		width: 100%;
		padding: 0.5rem 0.6rem;
		background: var(--paper);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-weight: 400;
	}

	.photographs {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
	}

	.photographs span {
		display: grid;
	}

	img {
		height: 84px;
		border: 1px solid var(--rule);
	}

	span button {
		min-height: 44px;
		color: var(--accent);
		text-decoration: underline;
	}

	.wrong {
		color: var(--off);
		font-weight: 600;
	}

	.acts {
		display: flex;
		gap: 0.8rem;
	}

	@media (max-width: 760px) {
		form {
			margin-inline-start: 0;
		}
	}
</style>
