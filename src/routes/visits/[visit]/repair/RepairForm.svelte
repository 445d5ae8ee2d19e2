<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { REPAIR_TEXT } from '$core/document';
	import {
		FAULT_CODES,
		type FaultCode,
		FAULTS,
		type Place,
		placeWords,
		type RepairStep,
		stringOfPlace
	} from '$core/visit';
	import { BLOWN_FUSE, EARTH_FAULT } from '$core/isolation';
	import { REPAIR_KINDS, type RepairKind, repairKindsFor, substituteChecks } from '$core/repair';
	import { afterPaint } from '$lib/ui/after-paint.svelte';
	import { storePhotograph } from '$lib/session/store-photograph';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		/** The cause; null where the person names it. */
		code: FaultCode | null;
		place: Place;
		/** Chance of the cause by the readings; null where nobody asked them. */
		chance: number | null;
		onstored: () => void;
	}
	const FIRST_NAMED: FaultCode = 'gfdi-fuse-blown';
	let { session, code, place, chance, onstored }: Props = $props();

	const record = $derived(session.document.record);
	/** Names of a large array's strings and parts are many: the form stands before they are drawn. */
	const causes = afterPaint<readonly FaultCode[]>(() => FAULT_CODES, [FIRST_NAMED]);
	const places = afterPaint<readonly (readonly [id: string, name: string])[]>(
		() => [
			...record.strings.map(({ id, label }) => [id, label] as const),
			...record.parts.map(({ id, mark }) => [id, mark] as const)
		],
		[]
	);
	/** From here on the readings have confirmed it. */
	const CONFIRMED = 0.95;
	let named = $state<FaultCode>(FIRST_NAMED);
	let at = $state('');
	const cause = $derived(code ?? named);
	const where = $derived<Place>(
		at === ''
			? place
			: record.strings.some(({ id }) => id === at)
				? { kind: 'string', string: at }
				: { kind: 'part', part: at, point: 'line' }
	);
	const string = $derived(record.strings.find(({ id }) => id === stringOfPlace(where)) ?? null);
	const type = $derived(record.moduleTypes.find(({ id }) => id === string?.moduleTypeId) ?? null);
	const kinds = $derived(repairKindsFor(cause));
	let step = $state<RepairStep>('repaired');
	let chosen = $state<RepairKind | null>(null);
	const kind = $derived(chosen ?? kinds[0]!);
	let words = $state('');
	let serial = $state('');
	let lookAgain = $state('');
	let typeId = $state('');
	const substitute = $derived(record.moduleTypes.find(({ id }) => id === typeId) ?? null);
	let photograph = $state<string | null>(null);
	let problem = $state('');
	let busy = $state(false);

	async function addPhotograph(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const file = event.currentTarget.files?.[0];
		if (!file) return;
		busy = true;
		problem = '';
		const stored = await storePhotograph(session.document.visit.id, file);
		if (stored.ok) photograph = stored.id;
		else problem = stored.words;
		busy = false;
	}

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		busy = true;
		problem =
			(await session.addRepair({
				id: uuid(),
				code: cause,
				place: where,
				step,
				kind: step === 'repaired' ? kind : null,
				words: words.trim(),
				serial: serial.trim(),
				photograph,
				lookAgain: step === 'accepted' && lookAgain !== '' ? lookAgain : null,
				at: new Date(session.now).toISOString(),
				by: session.by.trim() || session.document.visit.by
			})) ?? '';
		// What is stored is not sent again, however long the form still stands.
		if (problem === '') onstored();
		else busy = false;
	}
</script>

<form class="panel" onsubmit={store} aria-label="What was done">
	{#if code === null}
		<label>
			<span>Cause</span>
			<select bind:value={named} name="code">
				{#each causes.current as one (one)}<option value={one}>{FAULTS[one].words}</option>{/each}
			</select>
		</label>
		<label>
			<span>At</span>
			<select bind:value={at} name="at">
				<option value="">the whole array</option>
				{#each places.current as [id, name] (id)}<option value={id}>{name}</option>{/each}
			</select>
		</label>
	{:else}
		<h2>{FAULTS[cause].words}: <span class="figure">{placeWords(record, where)}</span></h2>
		{#if chance !== null && chance < CONFIRMED}
			<p class="notice">
				The readings make it {Math.round(100 * chance)} % likely. Confirm it by the next test before a
				part is replaced, or say below what you saw.
			</p>
		{:else if chance !== null}
			<p class="soft">Confirmed by the readings: {Math.round(1000 * chance) / 10} %.</p>
		{/if}
	{/if}

	<div class="steps" role="radiogroup" aria-label="What was done about it">
		{#each [['repaired', 'Repaired'], ['accepted', 'Left as it is'], ['excluded', 'Not there after all']] as const as [value, label] (value)}
			<label><input type="radio" name="step" {value} bind:group={step} /> {label}</label>
		{/each}
	</div>

	{#if step === 'repaired'}
		<label>
			<span>Repair</span>
			<select
				name="kind"
				value={kind}
				onchange={(event) => (chosen = event.currentTarget.value as RepairKind)}
			>
				{#each kinds as one (one)}<option value={one}>{REPAIR_KINDS[one].words}</option>{/each}
			</select>
		</label>
		{#if cause === 'fuse-blown'}
			<p class="caution">{speak(BLOWN_FUSE.text)} ({speak(BLOWN_FUSE.source)}).</p>
		{:else if cause === 'gfdi-fuse-blown'}
			<p class="caution">
				{speak(EARTH_FAULT.text)} ({speak(EARTH_FAULT.source)}).
			</p>
		{/if}
		{#if REPAIR_KINDS[kind].newPart}
			<label>
				<span>Serial of the new part</span>
				<input name="serial" bind:value={serial} maxlength={REPAIR_TEXT.serial} />
			</label>
		{/if}
		{#if kind === 'replace-module' && string && type}
			<label>
				<span>Type that went in</span>
				<select name="type" bind:value={typeId}>
					<option value="">the same, {type.name}</option>
					{#each record.moduleTypes.filter(({ id }) => id !== type.id) as { id, name } (id)}
						<option value={id}>{name}</option>
					{/each}
				</select>
			</label>
			{#if substitute}
				<ul class="checks">
					{#each substituteChecks(string, type, substitute) as check (check.words)}
						<li data-fits={check.fits}>
							<strong>{check.fits ? 'fits' : 'does not fit'}</strong>
							{check.words} <span class="soft">({check.source})</span>
						</li>
					{/each}
				</ul>
			{/if}
		{/if}
	{:else if step === 'accepted'}
		<label>
			<span>Look again on</span>
			<input type="date" name="look-again" bind:value={lookAgain} required />
		</label>
	{/if}
	<label>
		<span>{step === 'repaired' ? 'What was done, where' : 'Why'}</span>
		<textarea
			name="words"
			rows="2"
			bind:value={words}
			maxlength={REPAIR_TEXT.words}
			required={step !== 'repaired'}></textarea>
	</label>
	<label>
		<span>Photograph{photograph ? ': stored' : ''}</span>
		<input type="file" accept="image/*" capture="environment" onchange={addPhotograph} />
	</label>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	<button class="act" disabled={busy}>Store</button>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.8rem;
		padding: 1rem 1.1rem;
		margin-block: 0.8rem;
		max-width: 46rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	label {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.25rem;
		font-weight: 600;
	}

	select,
	textarea,
	input:not([type='radio'], [type='file']) {
		min-height: 48px;
		width: 100%;
		padding: 0.4rem 0.6rem;
		border: var(--stroke) solid var(--rule);
		background: var(--paper);
		font-weight: 500;
	}

	input[type='file'] {
		max-width: 100%;
		min-height: 44px;
	}

	.steps {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1.2rem;
	}

	.steps label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 44px;
	}

	.caution {
		border-inline-start: 6px solid var(--look);
		padding: 0.5rem 0.75rem;
		background: var(--paper);
	}

	.checks {
		display: grid;
		gap: 0.3rem;
	}

	.checks [data-fits='false'] strong {
		color: var(--off);
	}

	button {
		justify-self: start;
	}
</style>
