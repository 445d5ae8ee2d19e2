<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { tick } from 'svelte';
	import {
		type BatchModule,
		type ModuleBatch,
		NO_LABEL,
		referenceModuleDue,
		type Take
	} from '$core/bench';
	import { BATCH_LIMITS, readFigure } from '$core/document';
	import Keypad, { afterKey, type KeypadKey } from '$lib/ui/Keypad.svelte';
	import { markAfter } from './mark-after';
	import { useBatch } from '$lib/session/batch-session.svelte';

	interface Props {
		/** Mark of the module that is measured; empty for the control. */
		mark: string;
		onstored: (mark: string) => void;
	}
	let { mark = $bindable(), onstored }: Props = $props();
	const session = useBatch();

	const FIELDS = [
		{ key: 'volts', words: 'Open circuit', unit: 'V' },
		{ key: 'amps', words: 'Short circuit', unit: 'A' },
		{ key: 'watts', words: 'At maximum', unit: 'W' },
		{ key: 'loadVolts', words: 'Voltage', unit: 'V' },
		{ key: 'loadAmps', words: 'Current', unit: 'A' },
		{ key: 'cellTemperature', words: 'Cells', unit: '°C' },
		{ key: 'shadowHeight', words: 'Stick', unit: 'mm' },
		{ key: 'shadowLength', words: 'Shadow', unit: 'mm' }
	] as const;
	type Key = (typeof FIELDS)[number]['key'];
	const EMPTY = {
		volts: '',
		amps: '',
		watts: '',
		loadVolts: '',
		loadAmps: '',
		cellTemperature: '',
		shadowHeight: '',
		shadowLength: ''
	};

	let typed = $state<Record<Key, string>>({ ...EMPTY });
	let errors = $state<Partial<Record<Key | 'mark', string>>>({});
	let onControl = $state(false);
	let otherAngle = $state(false);
	let lit = $state<Key>('volts');
	let form = $state<HTMLFormElement>();

	const batch = $derived(session.batch);
	const known = $derived(
		batch.modules.find((one) => one.mark.toLowerCase() === mark.trim().toLowerCase())
	);
	const due = $derived(referenceModuleDue(batch, Date.now()));

	function read(): Take | null {
		errors = {};
		const values: Record<Key, number | null> = {
			volts: null,
			amps: null,
			watts: null,
			loadVolts: null,
			loadAmps: null,
			cellTemperature: null,
			shadowHeight: null,
			shadowLength: null
		};
		for (const { key } of FIELDS) {
			if (typed[key].trim() === '') continue;
			const answer = readFigure(typed[key], BATCH_LIMITS[key]);
			if (answer.ok) values[key] = answer.value;
			else errors[key] = answer.problem;
		}
		if (!onControl && mark.trim() === '')
			errors.mark = 'Enter its mark, and chalk it on the module.';
		const {
			loadVolts: loadVoltage,
			loadAmps: loadCurrent,
			cellTemperature,
			shadowHeight,
			shadowLength,
			...measured
		} = values;
		if ((loadVoltage === null) !== (loadCurrent === null)) {
			errors[loadVoltage === null ? 'loadVolts' : 'loadAmps'] =
				'A point on a load needs its voltage and its current.';
		}
		if ((shadowHeight === null) !== (shadowLength === null)) {
			errors[shadowHeight === null ? 'shadowHeight' : 'shadowLength'] =
				'A shadow needs its length and the height of the stick.';
		}
		if (Object.keys(errors).length > 0) return null;
		if (Object.values(measured).every((value) => value === null)) {
			errors.volts = 'Enter Voc and Isc, or the power.';
			return null;
		}
		return {
			id: uuid(),
			at: new Date().toISOString(),
			...measured,
			...(loadVoltage !== null &&
				loadCurrent !== null && { load: { volts: loadVoltage, amps: loadCurrent } }),
			...(cellTemperature !== null && { cellTemperature }),
			...(shadowHeight !== null &&
				shadowLength !== null && { shadow: { height: shadowHeight, length: shadowLength } }),
			...(otherAngle && !onControl && { otherAngle: true })
		};
	}

	function withMeasurement(batch: ModuleBatch, take: Take, at: string): ModuleBatch {
		if (onControl) {
			return batch.control
				? { ...batch, control: { ...batch.control, takes: [...batch.control.takes, take] } }
				: batch;
		}
		const there = batch.modules.find((one) => one.mark.toLowerCase() === at.toLowerCase());
		if (there) {
			return {
				...batch,
				modules: batch.modules.map((one) =>
					one === there ? { ...one, takes: [...one.takes, take] } : one
				)
			};
		}
		// The next of a batch is mostly like the one before.
		const before = batch.modules.at(-1);
		const module: BatchModule = {
			id: uuid(),
			mark: at,
			model: before?.model ?? '',
			label: before?.label ?? NO_LABEL,
			size: before?.size ?? null,
			year: before?.year ?? null,
			connector: before?.connector ?? '',
			looks: [],
			note: '',
			takes: [take]
		};
		return { ...batch, modules: [...batch.modules, module] };
	}

	async function store(): Promise<void> {
		const take = read();
		if (!take) return;
		const at = mark.trim();
		session.change((batch) => withMeasurement(batch, take, at));
		typed = { ...EMPTY };
		onstored(onControl ? '' : at);
		if (onControl) onControl = false;
		else mark = nextMark(at);
		await irradiance('volts');
	}

	/** The module after this one in the batch, else the next number. */
	function nextMark(at: string): string {
		const index = session.batch.modules.findIndex((one) => one.mark === at);
		const next = session.batch.modules[index + 1];
		if (next) return next.mark;
		return markAfter(at);
	}

	async function irradiance(key: Key): Promise<void> {
		lit = key;
		await tick();
		form?.querySelector<HTMLInputElement>(`input[name=${key}]`)?.focus();
	}

	/** Enter goes on to the next field while the present one is filled and the next is empty. */
	async function enter(event: Event): Promise<void> {
		event.preventDefault();
		const order = FIELDS.findIndex(({ key }) => key === lit);
		const next = FIELDS[order + 1];
		const wantsMore = lit === 'volts' && typed.volts.trim() !== '' && typed.amps === '';
		if (next && wantsMore) return irradiance(next.key);
		return store();
	}

	function press(key: KeypadKey): void {
		typed[lit] = afterKey(typed[lit], key);
	}
</script>

{#snippet field({ key, words, unit }: (typeof FIELDS)[number])}
	<label>
		<span>{words}, {unit}</span>
		<input
			name={key}
			class="figure"
			inputmode="decimal"
			autocomplete="off"
			bind:value={typed[key]}
			onfocus={() => (lit = key)}
			aria-invalid={errors[key] !== undefined}
		/>
		{#if errors[key]}<span class="error" role="alert">{errors[key]}</span>{/if}
	</label>
{/snippet}

<form class="panel entry" bind:this={form} onsubmit={enter}>
	<div class="who">
		<label class="which">
			<span>Module</span>
			<input
				name="mark"
				class="figure"
				bind:value={mark}
				maxlength="20"
				autocomplete="off"
				disabled={onControl}
				aria-invalid={errors.mark !== undefined}
			/>
		</label>
		{#if batch.control}
			<button
				type="button"
				class="act-plain"
				aria-pressed={onControl}
				onclick={() => {
					onControl = !onControl;
					void irradiance('volts');
				}}>Reference module</button
			>
		{/if}
	</div>
	<h2>
		{#if onControl}Reference module, again{:else if mark.trim() === ''}Which module?{:else if known}Module
			{known.mark}, measurement {known.takes.length + 1}{:else}Module {mark.trim()}, new{/if}
	</h2>
	{#if errors.mark}<p class="error" role="alert">{errors.mark}</p>{/if}
	{#if due && !onControl}<p class="due" role="status">{due}</p>{/if}
	<div class="fields">
		{#each FIELDS.slice(0, 3) as one (one.key)}{@render field(one)}{/each}
	</div>
	<details class="load">
		<summary>Point on a load, cell temperature</summary>
		<p class="soft">
			Voltage and current at the same moment, on a heater or lamp that draws between half of the
			short-circuit current and nearly all of it. It shows the fill factor, which open circuit and
			short circuit do not. The cell temperature where it is not that of the reference module.
		</p>
		<div class="fields">
			{#each FIELDS.slice(3, 6) as one (one.key)}{@render field(one)}{/each}
		</div>
	</details>
	{#if batch.control}
		<details class="load">
			<summary>
				{otherAngle && !onControl ? 'Another angle than the reference module' : 'Angle'}
			</summary>
			{#if !onControl}
				<label class="tick">
					<input type="checkbox" name="otherAngle" bind:checked={otherAngle} />
					At another angle than the reference module
				</label>
			{/if}
			<p class="soft">
				Where the modules do not lie in one plane with the reference module: hold a stick square to
				the glass and measure its shadow, here and on the reference module.
			</p>
			<div class="fields">
				{#each FIELDS.slice(6) as one (one.key)}{@render field(one)}{/each}
			</div>
		</details>
	{/if}
	<Keypad onpress={press} onenter={() => form?.requestSubmit()} />
	<p class="end">
		<button class="act">Save measurement</button>
	</p>
	<p class="soft">
		Square to the sun, the glass clean, ten seconds of steady irradiance. Short circuit only through
		a DC-rated switch or a tester: a lead that is pulled apart under current burns. Covers on both
		sides of the leads stay on until the meter is set.
	</p>
</form>

<style>
	.entry {
		padding: 1rem;
		display: grid;
		gap: 0.6rem;
		align-content: start;
	}

	.who {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 0.6rem;
	}

	h2 {
		font-size: 1.35rem;
	}

	label {
		display: grid;
		gap: 0.15rem;
		font-weight: 600;
	}

	.tick {
		display: flex;
		gap: 0.6rem;
		align-items: center;
	}

	.tick input {
		flex: none;
		width: 1.5rem;
		height: 1.5rem;
		min-height: 0;
	}

	.load .soft {
		margin: 0.3rem 0 0.6rem;
	}

	.which input {
		width: 7rem;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: 0.6rem;
	}

	input {
		width: 100%;
		min-height: 52px;
		padding: 0.2rem 0.5rem;
		border: 0;
		border-bottom: 3px solid var(--rule);
		background: var(--sheet);
		font-size: 1.5rem;
		text-align: end;
	}

	input:focus {
		border-color: var(--accent);
	}

	.which input {
		text-align: start;
	}

	[aria-pressed='true'] {
		background: var(--ink);
		border-color: var(--ink);
		color: var(--paper);
	}

	.due {
		border-inline-start: 5px solid var(--look);
		padding-inline-start: 0.7rem;
		font-weight: 600;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	.end {
		display: flex;
		justify-content: end;
	}

	.soft {
		font-size: 0.92rem;
	}
</style>
