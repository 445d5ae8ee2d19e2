<script lang="ts">
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import { v7 as uuid } from 'uuid';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { labelFormSchema, moduleTypeOfForm, type LabelForm } from '$core/document/forms';
	import { partOfEntry } from '$core/document/library/library';
	import { BEHIND, recordOfSurvey, unseenEnd, type Survey } from '$core/document/survey';
	import { checkLabel } from '$core/module/plausibility';
	import type { RecordChange } from '$core/record/change';
	import { dcAcRatio, labelPower } from '$core/record/label-power';
	import { inputsOf } from '$core/record/path';
	import type { ModuleType } from '$core/record/record';
	import { unknownsOf } from '$core/record/unknowns';
	import { probableStrings } from '$core/rules/probable-strings';
	import Field from '$lib/ui/Field.svelte';
	import { useRecord } from '$lib/ui/record-session.svelte';
	import Stepper from '$lib/ui/Stepper.svelte';
	import { kilowatts } from '$lib/ui/words';
	import Behind from './Behind.svelte';

	let { data } = $props();
	const session = useRecord();

	let rows = $state(2);
	let columns = $state(12);
	let typeId = $state('');
	let typedLabel = $state({
		name: '',
		cellsInSeries: '60',
		pmax: '',
		vmp: '',
		imp: '',
		voc: '',
		isc: ''
	});
	let behind = $state<Survey['behind']>('unknown');
	let dcBox = $state<Survey['dcBox']>('unknown');
	let perDevice = $state<1 | 2>(1);
	let endKind = $state<'inverter' | 'charge-controller'>('inverter');
	let ends = $state(1);
	let endTypeId = $state('');
	/** Index of a probable way, "own", or empty where nobody knows. */
	let strung = $state('');
	let ownStrings = $state(4);
	let trouble = $state('');
	const ids = { field: uuid(), type: uuid(), strings: [] as string[], ends: [] as string[] };
	const idAt = (list: string[], i: number) => (list[i] ??= uuid());

	const modules = $derived(rows * columns);
	const types = $derived(data.library.filter((entry) => entry.kind === 'module'));
	const endTypes = $derived(data.library.filter(({ kind }) => kind === endKind));

	/** The label as typed, filled up with what most labels have. */
	const form = $derived<LabelForm>({
		...labelFormSchema.parse({
			name: typedLabel.name.trim() || 'Module, label to be completed',
			cellsInSeries: '60',
			pmax: '1',
			vmp: '1',
			imp: '1',
			voc: '2',
			isc: '2',
			alpha: '',
			beta: '',
			systemVolts: '',
			seriesFuse: ''
		}),
		...typedLabel,
		name: typedLabel.name.trim() || 'Module, label to be completed'
	});
	const labelErrors = $derived.by(() => {
		const read = labelFormSchema.safeParse(form);
		const issues = read.success ? [] : read.error.issues;
		const of = (name: string) => [
			...issues.filter(({ path }) => path[0] === name).map(({ message }) => message)
		];
		return of;
	});
	let asked = $state(false);
	const moduleType = $derived.by<ModuleType | null>(() => {
		if (typeId !== 'typed') {
			const entry = types.find(({ id }) => id === typeId);
			if (entry?.kind !== 'module') return null;
			const { name, plate, tolerance, limits } = entry;
			return { id: ids.type, name, plate, tolerance, limits };
		}
		if (!labelFormSchema.safeParse(form).success) return null;
		const type = moduleTypeOfForm(ids.type, form);
		return checkLabel(type.plate).some(({ severity }) => severity === 'error') ? null : type;
	});

	const endParts = $derived.by(() => {
		if (behind === 'ac-box') return [];
		const entry = endTypes.find(({ id }) => id === endTypeId);
		return Array.from({ length: ends }, (_, i) => {
			const mark = endKind === 'inverter' ? `INV ${i + 1}` : `CC ${i + 1}`;
			const id = idAt(ids.ends, i);
			if (!entry || entry.kind === 'module' || entry.kind === 'instrument') {
				return unseenEnd(id, endKind, mark);
			}
			const part = partOfEntry(entry, id, mark);
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
		if (behind === 'ac-box' || strung === '') return null;
		const way = ways[Number(strung)];
		const count = strung === 'own' ? ownStrings : (way?.strings ?? 0);
		if (count < 1 || modules % count !== 0) return null;
		return {
			ids: Array.from({ length: count }, (_, i) => idAt(ids.strings, i)),
			modulesPerString: modules / count
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
	const unknowns = $derived(record ? unknownsOf(record) : []);
	const ratio = $derived(record ? dcAcRatio(record) : null);

	async function store(): Promise<void> {
		asked = true;
		trouble = '';
		if (!record) {
			trouble = 'Choose the module’s label, or type it: without it nothing has an expected value.';
			return;
		}
		const change: RecordChange = [
			{ op: 'set', fact: 'system', value: record.system },
			...record.moduleTypes.map((value) => ({ op: 'put', list: 'moduleTypes', value }) as const),
			...record.parts.map((value) => ({ op: 'put', list: 'parts', value }) as const),
			...record.fields.map((value) => ({ op: 'put', list: 'fields', value }) as const),
			...record.strings.map((value) => ({ op: 'put', list: 'strings', value }) as const)
		];
		if (await session.change('Survey stored', change)) {
			await goto(resolve('/sites/[site]/take-over', { site: data.site.id }));
		}
	}

	const BEHIND_WORDS: Readonly<Record<Survey['behind'], readonly [string, string]>> = {
		nothing: ['Only the junction box', 'two leads go on to the next module: string inverter'],
		'dc-box': ['A box, DC out', 'its leads have DC plugs: optimiser or rapid shutdown'],
		'ac-box': ['A box, AC out', 'a trunk cable runs along: micro-inverter'],
		unknown: ['Cannot see', 'it goes on the list']
	};
	const FIGURES = [
		{ name: 'pmax', label: 'Pmax', unit: 'W' },
		{ name: 'vmp', label: 'Vmp', unit: 'V' },
		{ name: 'imp', label: 'Imp', unit: 'A' },
		{ name: 'voc', label: 'Voc', unit: 'V' },
		{ name: 'isc', label: 'Isc', unit: 'A' },
		{ name: 'cellsInSeries', label: 'Cells in series', unit: '' }
	] as const;
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
			<a href={resolve('/sites/[site]/take-over', { site: data.site.id })}>the record</a>.
		</p>
	{/if}
	<div class="columns">
		<form
			onsubmit={(event) => {
				event.preventDefault();
				void store();
			}}
		>
			<section>
				<h2><span>1</span>Count</h2>
				<div class="flow">
					<Stepper label="Rows" name="rows" bind:value={rows} max={60} />
					<Stepper label="Modules in a row" name="columns" bind:value={columns} max={100} />
					<p class="sum"><strong class="figure">{modules}</strong> modules</p>
				</div>
			</section>

			<section>
				<h2><span>2</span>The label on the back of a module</h2>
				<label class="sr-only" for="type">Module type</label>
				<select id="type" name="type" bind:value={typeId}>
					<option value="">Choose a type like it</option>
					<option value="typed">Type the label</option>
					{#each types as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</select>
				{#if typeId === 'typed'}
					<div class="figures">
						<Field label="Model, as on the label" name="name" bind:value={typedLabel.name} />
						{#each FIGURES as { name, label, unit } (name)}
							<Field
								{label}
								{name}
								{unit}
								bind:value={typedLabel[name]}
								errors={asked || typedLabel[name] !== '' ? labelErrors(name) : []}
								figures
							/>
						{/each}
						{#each checkLabel(moduleTypeOfForm(ids.type, form).plate) as { field, words } (field + words)}
							<p class="odd">{words}</p>
						{/each}
					</div>
				{/if}
			</section>

			<section>
				<h2><span>3</span>What hangs behind the modules</h2>
				<div class="pictures">
					{#each BEHIND as kind (kind)}
						<button
							type="button"
							class="picture"
							aria-pressed={behind === kind}
							onclick={() => (behind = kind)}
						>
							<Behind {kind} />
							<strong>{BEHIND_WORDS[kind][0]}</strong>
							<span class="soft">{BEHIND_WORDS[kind][1]}</span>
						</button>
					{/each}
				</div>
				{#if behind === 'dc-box'}
					<div class="chips" role="group" aria-label="What the box is">
						{#each [['optimiser', 'Optimiser'], ['rapid-shutdown', 'Rapid shutdown'], ['unknown', 'Cannot tell']] as const as [value, words] (value)}
							<button type="button" aria-pressed={dcBox === value} onclick={() => (dcBox = value)}
								>{words}</button
							>
						{/each}
					</div>
				{/if}
				{#if behind === 'dc-box' || behind === 'ac-box'}
					<div class="chips" role="group" aria-label="Modules on each box">
						{#each [1, 2] as const as each (each)}
							<button
								type="button"
								aria-pressed={perDevice === each}
								onclick={() => (perDevice = each)}
								>{each === 1 ? 'One module each' : 'Two modules each'}</button
							>
						{/each}
					</div>
				{/if}
			</section>

			{#if behind !== 'ac-box'}
				<section>
					<h2><span>4</span>What the strings run to</h2>
					<div class="chips" role="group" aria-label="Kind">
						<button
							type="button"
							aria-pressed={endKind === 'inverter'}
							onclick={() => {
								endKind = 'inverter';
								endTypeId = '';
							}}>Inverter</button
						>
						<button
							type="button"
							aria-pressed={endKind === 'charge-controller'}
							onclick={() => {
								endKind = 'charge-controller';
								endTypeId = '';
							}}>Charge controller</button
						>
					</div>
					<div class="flow">
						<Stepper label="How many" name="ends" bind:value={ends} max={50} />
						<div class="grow">
							<label for="end-type">Its label</label>
							<select id="end-type" name="endType" bind:value={endTypeId}>
								<option value="">Not read yet</option>
								{#each endTypes as { id, name } (id)}<option value={id}>{name}</option>{/each}
							</select>
						</div>
					</div>
				</section>

				<section>
					<h2><span>5</span>How it is strung</h2>
					<div class="ways">
						<label class:on={strung === ''}>
							<input type="radio" name="strung" value="" bind:group={strung} />
							<span
								><strong>Not known yet</strong><span class="soft">found out on the walk</span></span
							>
						</label>
						{#each ways as way, i (`${way.strings}/${way.modulesPerString}`)}
							<label class:on={strung === String(i)}>
								<input type="radio" name="strung" value={String(i)} bind:group={strung} />
								<span>
									<strong
										>{way.strings}
										{way.strings === 1 ? 'string' : 'strings'} of {way.modulesPerString}{i === 0
											? ', most probable'
											: ''}</strong
									>
									<span class="soft">{way.reasons.join('; ')}</span>
								</span>
							</label>
						{/each}
						<label class:on={strung === 'own'}>
							<input type="radio" name="strung" value="own" bind:group={strung} />
							<span><strong>I know</strong></span>
						</label>
					</div>
					{#if strung === 'own'}
						<div class="flow">
							<Stepper label="Strings" name="strings" bind:value={ownStrings} max={modules} />
							<p class="sum">
								{#if modules % ownStrings === 0}of <strong class="figure"
										>{modules / ownStrings}</strong
									>
									modules
								{:else}{modules} modules do not share out over {ownStrings} equal strings: store the survey
									with the strings unknown, then add each string.{/if}
							</p>
						</div>
					{/if}
				</section>
			{/if}

			{#if trouble}<p class="notice" data-kind="error" role="alert">{trouble}</p>{/if}
			<p>
				<button class="act">Make the record<ArrowRight size={20} aria-hidden="true" /></button>
			</p>
		</form>

		<aside class="panel" aria-live="polite">
			<h2>What it gives</h2>
			<dl>
				<div>
					<dt>label power</dt>
					<dd class="figure">{record ? kilowatts(labelPower(record)) : '—'}</dd>
				</div>
				<div>
					<dt>DC over AC</dt>
					<dd class="figure">{ratio === null ? '—' : ratio.toFixed(2)}</dd>
				</div>
				<div>
					<dt>strings</dt>
					<dd class="figure">{strings ? strings.ids.length : 'unknown'}</dd>
				</div>
			</dl>
			{#if unknowns.length > 0}
				<h3>{unknowns.length} things still unknown</h3>
				<ul>
					{#each unknowns.slice(0, 8) as { key, words } (key)}<li>{words}</li>{/each}
					{#if unknowns.length > 8}<li class="soft">and {unknowns.length - 8} more</li>{/if}
				</ul>
			{/if}
		</aside>
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

	section {
		padding: 1rem 0 1.2rem;
		border-top: var(--stroke) solid var(--rule);
	}

	h2 {
		display: flex;
		align-items: center;
		gap: 0.7rem;
		font-size: 1.2rem;
		margin-bottom: 0.7rem;
	}

	h2 span {
		display: grid;
		place-items: center;
		width: 1.9rem;
		height: 1.9rem;
		border-radius: 50%;
		background: var(--ink);
		color: var(--paper);
		font-size: 1rem;
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

	select {
		width: 100%;
		min-height: 56px;
		padding: 0.3rem 2rem 0.3rem 0.8rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-size: 1.05rem;
	}

	.figures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
		gap: 0.7rem 1rem;
		margin-top: 0.8rem;
	}

	.odd {
		grid-column: 1 / -1;
		color: var(--look);
		font-weight: 550;
	}

	.pictures {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
		gap: 0.8rem;
	}

	.picture {
		display: grid;
		justify-items: start;
		gap: 0.15rem;
		padding: 0.7rem;
		text-align: start;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		line-height: 1.3;
	}

	.picture[aria-pressed='true'],
	.chips [aria-pressed='true'] {
		outline: 3px solid var(--accent);
		outline-offset: -1px;
		background: var(--lit);
	}

	.chips {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.8rem 0;
	}

	.chips button {
		min-height: 48px;
		padding: 0 1.1rem;
		font-weight: 600;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.ways {
		display: grid;
		gap: 0.5rem;
		margin-bottom: 0.8rem;
	}

	.ways label {
		display: flex;
		align-items: center;
		gap: 0.9rem;
		min-height: 52px;
		padding: 0.3rem 0.9rem;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.ways .on {
		background: var(--lit);
	}

	.ways label > span {
		display: grid;
		line-height: 1.3;
	}

	input[type='radio'] {
		width: 22px;
		height: 22px;
	}

	aside {
		position: sticky;
		top: 1rem;
		padding: 1.1rem 1.3rem;
	}

	dl div {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}

	dd {
		font-size: 1.2rem;
		font-weight: 650;
	}

	h3 {
		margin: 0.9rem 0 0.2rem;
		font-size: 1rem;
	}

	aside li {
		padding: 0.15rem 0;
		line-height: 1.3;
		font-size: 0.95rem;
	}

	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}

		aside {
			position: static;
		}
	}
</style>
