<script lang="ts">
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import { v7 as uuid } from 'uuid';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import {
		type EndKind,
		partOfEntry,
		recordOfSurvey,
		type Survey,
		unseenEnd
	} from '$core/document';
	import { inputsOf, type ModuleType, type RecordChange } from '$core/record';
	import { probableStrings } from '$core/design-checks';
	import { useRecord } from '$lib/session/record-session.svelte';
	import Stepper from '$lib/ui/Stepper.svelte';
	import HangsBehind from './HangsBehind.svelte';
	import LabelChoice from './LabelChoice.svelte';
	import Numbered from './Numbered.svelte';
	import Stringing from './Stringing.svelte';
	import SurveyResult from './SurveyResult.svelte';

	let { data } = $props();
	const session = useRecord();

	let rows = $state(2);
	let columns = $state(12);
	let moduleType = $state.raw<ModuleType | null>(null);
	let behind = $state<Survey['behind']>('unknown');
	let dcBox = $state<Survey['dcBox']>('unknown');
	let perDevice = $state<1 | 2>(1);
	let chosenEnd = $state<'inverter' | 'charge-controller'>('inverter');
	let ends = $state(1);
	let endTypeId = $state('');
	let stringCount = $state<number | null>(null);
	let ratedPower = $state<number | null>(null);
	let asked = $state(false);
	const ids = { field: uuid(), type: uuid(), strings: [] as string[], ends: [] as string[] };
	const idAt = (list: string[], i: number) => (list[i] ??= uuid());

	const modules = $derived(rows * columns);
	const endKind = $derived<EndKind>(behind === 'ac-box' ? 'micro-inverter' : chosenEnd);
	const endTypes = $derived(data.library.filter(({ kind }) => kind === endKind));
	const MARKS: Readonly<Record<EndKind, string>> = {
		inverter: 'INV',
		'charge-controller': 'CC',
		'micro-inverter': 'MI'
	};

	const endParts = $derived.by(() => {
		const entry = endTypes.find(({ id }) => id === endTypeId);
		// Micro-inverters are one type behind all modules, not one part each.
		const parts = endKind === 'micro-inverter' ? 1 : ends;
		return Array.from({ length: parts }, (_, i) => {
			const mark = endKind === 'micro-inverter' ? 'MI' : `${MARKS[endKind]} ${i + 1}`;
			const id = idAt(ids.ends, i);
			if (!entry || entry.kind === 'module' || entry.kind === 'instrument') {
				return unseenEnd(id, endKind, mark);
			}
			const part = partOfEntry(entry, id, mark);
			if (!('inputs' in part.specs)) return part;
			// Inputs carry their inverter's number, so that each name stands once.
			const names = inputsOf(part).map((name) => (ends > 1 ? `${i + 1}${name}` : name));
			return { ...part, specs: { ...part.specs, inputs: names.join(', ') } } as typeof part;
		});
	});
	const ways = $derived.by(() => {
		const [first] = endParts;
		if (!moduleType || !first) return [];
		const specs = first.specs as Readonly<Record<string, number | string | null>>;
		const figure = (key: string) => (typeof specs[key] === 'number' ? specs[key] : null);
		return probableStrings(modules, columns, moduleType, session.record.rules, {
			count: ends,
			inputs: inputsOf(first).length || null,
			maxVolts: figure('maxVolts'),
			windowLow: figure('windowLow'),
			windowHigh: figure('windowHigh')
		});
	});
	const strings = $derived.by<Survey['strings']>(() => {
		if (behind === 'ac-box' || stringCount === null || modules % stringCount !== 0) return null;
		return {
			ids: Array.from({ length: stringCount }, (_, i) => idAt(ids.strings, i)),
			modulesPerString: modules / stringCount
		};
	});
	const record = $derived(
		moduleType &&
			recordOfSurvey({
				fieldId: ids.field,
				rows,
				columns,
				moduleType,
				behind,
				dcBox,
				modulesPerDevice: perDevice,
				ends: endParts,
				strings
			})
	);

	/** What is missing goes away as soon as it is filled in. */
	const problem = $derived(
		asked && !record
			? 'The module’s nameplate is missing or not complete: choose a type, or type the figures marked under 2.'
			: ''
	);

	async function store(): Promise<void> {
		asked = true;
		if (!record) return;
		const change: RecordChange = [
			{ op: 'set', fact: 'system', value: record.system },
			...record.moduleTypes.map((value) => ({ op: 'put', list: 'moduleTypes', value }) as const),
			...record.parts.map((value) => ({ op: 'put', list: 'parts', value }) as const),
			...record.fields.map((value) => ({ op: 'put', list: 'fields', value }) as const),
			...record.strings.map((value) => ({ op: 'put', list: 'strings', value }) as const)
		];
		if (await session.change('Survey stored', change)) {
			await goto(resolve('/sites/[site]/array-record', { site: data.site.id }));
		}
	}
</script>

<svelte:head><title>Survey · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Quick survey</h1>
	<p class="soft lead">
		What one sees in two minutes. What is not known stays unknown and goes on a list to walk.
	</p>
	{#if session.record.strings.length > 0 || session.record.moduleTypes.length > 0}
		<p class="notice">
			This site has a record already: what you make here is added to it. To change what is there,
			open
			<a href={resolve('/sites/[site]/array-record', { site: data.site.id })}>the record</a>.
		</p>
	{/if}
	<div class="columns">
		<form
			onsubmit={(event) => {
				event.preventDefault();
				void store();
			}}
		>
			<Numbered number={1} title="Count">
				<div class="flow">
					<Stepper label="Rows" name="rows" bind:value={rows} max={60} />
					<Stepper label="Modules in a row" name="columns" bind:value={columns} max={100} />
					<p class="sum"><strong class="figure">{modules}</strong> modules</p>
				</div>
			</Numbered>
			<Numbered number={2} title="The nameplate on the back of a module">
				<LabelChoice library={data.library} id={ids.type} {asked} bind:moduleType bind:ratedPower />
			</Numbered>
			<Numbered number={3} title="What hangs behind the modules">
				<HangsBehind bind:behind bind:dcBox bind:perDevice />
			</Numbered>
			<Numbered
				number={4}
				title={behind === 'ac-box' ? 'The label of a micro-inverter' : 'What the strings run to'}
			>
				{#if behind !== 'ac-box'}
					<div class="kinds" role="group" aria-label="Kind">
						{#each [['inverter', 'Inverter'], ['charge-controller', 'Charge controller']] as const as [kind, words] (kind)}
							<button
								type="button"
								aria-pressed={chosenEnd === kind}
								onclick={() => {
									chosenEnd = kind;
									endTypeId = '';
								}}>{words}</button
							>
						{/each}
					</div>
				{/if}
				<div class="flow">
					{#if behind !== 'ac-box'}
						<Stepper label="How many" name="ends" bind:value={ends} max={50} />
					{/if}
					<div class="grow">
						<label for="end-type">Its label</label>
						<select id="end-type" name="endType" class="survey-select" bind:value={endTypeId}>
							<option value="">Not read yet</option>
							{#each endTypes as { id, name } (id)}<option value={id}>{name}</option>{/each}
						</select>
					</div>
				</div>
			</Numbered>
			{#if behind !== 'ac-box'}
				<Numbered number={5} title="How it is strung">
					<Stringing {modules} {ways} bind:count={stringCount} />
				</Numbered>
			{/if}

			{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
			<p>
				<button class="act">Make the record<ArrowRight size={20} aria-hidden="true" /></button>
			</p>
		</form>

		<SurveyResult {record} ratedPower={ratedPower === null ? null : ratedPower * modules} />
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.columns {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 19rem;
		gap: 2rem;
		align-items: start;
		margin-top: 0.8rem;
	}

	.columns {
		grid-template-columns: minmax(0, 1fr);
	}

	.flow {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem 1.6rem;
		align-items: end;
	}

	.grow {
		flex: 1 1 14rem;
		display: grid;
		gap: 0.25rem;
	}

	.grow label {
		font-weight: 600;
	}

	.sum {
		font-size: 1.15rem;
		padding-bottom: 0.8rem;
	}

	.sum .figure {
		font-size: 1.5rem;
	}

	.kinds {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.8rem 0;
	}

	.kinds button {
		min-height: 48px;
		padding: 0 1.1rem;
		font-weight: 600;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.kinds [aria-pressed='true'] {
		outline: 3px solid var(--accent);
		outline-offset: -1px;
		background: var(--lit);
	}

	form :global(.survey-select) {
		width: 100%;
		min-height: 56px;
		padding: 0.3rem 2rem 0.3rem 0.8rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-size: 1.05rem;
	}

	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
