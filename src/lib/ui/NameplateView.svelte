<script lang="ts">
	import type { Writable } from 'svelte/store';
	import { type LabelForm, labelFormSchema, nameplateOfForm } from '$core/document';
	import {
		ALPHA_UNITS,
		BETA_UNITS,
		cellsInSeries,
		checkLabel,
		isHalfCut,
		type Nameplate,
		readModelCode,
		TECHNOLOGIES,
		TECHNOLOGY_FACTS
	} from '$core/module';
	import Choice from './Choice.svelte';
	import Field from './Field.svelte';
	import LabelCurve from './LabelCurve.svelte';

	interface Props {
		form: Writable<LabelForm>;
		errors: Partial<Record<keyof LabelForm, string[] | undefined>>;
	}
	let { form, errors }: Props = $props();

	const typed = $derived(nameplateOfForm($form));
	const findings = $derived(checkLabel(typed));
	/** The label as soon as every field is a figure. */
	const nameplate = $derived<Nameplate | null>(
		labelFormSchema.omit({ name: true }).safeParse($form).success ? typed : null
	);
	const FIELD_OF: Partial<Record<keyof Nameplate, keyof LabelForm>> = {
		alphaIscPctPerK: 'alpha',
		betaVocPctPerK: 'beta'
	};
	const beside = (field: keyof LabelForm, severity: 'error' | 'odd') =>
		findings
			.filter((f) => f.severity === severity && (FIELD_OF[f.field] ?? f.field) === field)
			.map((f) => f.words);
	const wrong = (field: keyof LabelForm) => [
		...new Set([...(errors[field] ?? []), ...beside(field, 'error')])
	];
	const code = $derived(
		readModelCode($form.name, Number.isFinite(typed.pmax) ? typed.pmax : undefined)
	);
	const counted = $derived(Number($form.cellsInSeries));
	const options = (values: readonly string[]) => values.map((value) => ({ value, words: value }));

	interface FigureField {
		readonly name: 'cellsInSeries' | 'sections' | 'pmax' | 'vmp' | 'imp' | 'voc' | 'isc';
		readonly label: string;
		readonly unit?: string;
		readonly help?: string;
		/** Two in a row instead of three. */
		readonly wide?: boolean;
	}
	/** In the order in which most labels print them. */
	const FIGURES: readonly FigureField[] = [
		{
			name: 'cellsInSeries',
			label: 'Cells in series',
			help: 'Half-cut modules carry two groups: 120 cells are 60 in series'
		},
		{ name: 'sections', label: 'Sections', help: 'One for each bypass diode, nearly always 3' },
		{ name: 'pmax', label: 'Pmax', unit: 'W' },
		{ name: 'vmp', label: 'Vmp', unit: 'V' },
		{ name: 'imp', label: 'Imp', unit: 'A' },
		{ name: 'voc', label: 'Voc', unit: 'V', wide: true },
		{ name: 'isc', label: 'Isc', unit: 'A', wide: true }
	];
	const TOLERANCES = [
		{ name: 'vocPct', label: 'Tolerance of Voc ±', help: 'If the label states none, 2 % is usual' },
		{ name: 'iscPct', label: 'Tolerance of Isc ±', help: 'If the label states none, 3 % is usual' }
	] as const;
	const NOT_STATED = 'Leave it empty if the label states none';
</script>

<div class="plate-and-words">
	<div class="plate">
		<div class="name">
			<Field
				label="Type, as on the label"
				name="name"
				bind:value={$form.name}
				errors={wrong('name')}
			/>
		</div>
		<Choice
			label="Technology"
			name="technology"
			bind:value={$form.technology}
			options={TECHNOLOGIES.map((value) => ({ value, words: value }))}
			words={TECHNOLOGY_FACTS[$form.technology].words}
		/>
		{#each FIGURES as { name, label, unit, help, wide } (name)}
			<div class:wide>
				<Field
					{label}
					{name}
					bind:value={$form[name]}
					errors={wrong(name)}
					odd={beside(name, 'odd')}
					unit={unit ?? ''}
					help={help ?? ''}
					figures
				/>
			</div>
		{/each}
		<div class="wide pair">
			<Field
				label="Isc per kelvin"
				name="alpha"
				bind:value={$form.alpha}
				errors={wrong('alpha')}
				odd={beside('alpha', 'odd')}
				figures
				help={NOT_STATED}
			/>
			<Choice
				label="in"
				name="alphaUnit"
				bind:value={$form.alphaUnit}
				options={options(ALPHA_UNITS)}
			/>
		</div>
		<div class="wide pair">
			<Field
				label="Voc per kelvin, negative"
				name="beta"
				bind:value={$form.beta}
				errors={wrong('beta')}
				odd={beside('beta', 'odd')}
				figures
				help={NOT_STATED}
			/>
			<Choice
				label="in"
				name="betaUnit"
				bind:value={$form.betaUnit}
				options={options(BETA_UNITS)}
			/>
		</div>
		{#if isHalfCut(counted)}
			<p class="aid">
				{counted} cells on the glass are half-cut: {cellsInSeries(counted)} are in series.
				<button
					type="button"
					class="act-plain"
					onclick={() => ($form.cellsInSeries = String(cellsInSeries(counted)))}
					>Take {cellsInSeries(counted)}</button
				>
			</p>
		{/if}
		<Field
			label="Maximum system voltage"
			name="systemVolts"
			bind:value={$form.systemVolts}
			errors={wrong('systemVolts')}
			unit="V"
			figures
			help={NOT_STATED}
		/>
		<Field
			label="Maximum series fuse"
			name="seriesFuse"
			bind:value={$form.seriesFuse}
			errors={wrong('seriesFuse')}
			unit="A"
			figures
			help={NOT_STATED}
		/>
		<Choice
			label="Bifacial"
			name="bifacial"
			bind:value={$form.bifacial}
			options={[
				{ value: 'unknown', words: 'Not known' },
				{ value: 'no', words: 'No' },
				{ value: 'yes', words: 'Yes' }
			]}
		/>
		{#if $form.bifacial === 'yes'}
			<Field
				label="Rear gain of the short-circuit current"
				name="rearGainPct"
				bind:value={$form.rearGainPct}
				errors={wrong('rearGainPct')}
				unit="%"
				figures
				help="For limits of fuses and conductors; 10 % is used where it is left empty"
			/>
		{/if}
		{#each TOLERANCES as { name, label, help } (name)}
			<div class="wide">
				<Field
					{label}
					{name}
					bind:value={$form[name]}
					errors={wrong(name)}
					unit="%"
					{help}
					figures
				/>
			</div>
		{/each}
	</div>
	<div class="said">
		<LabelCurve plate={nameplate} blocked={findings.some((f) => f.severity === 'error')} />
		{#if code.length > 1}
			<section class="panel">
				<h2>What such a code often says</h2>
				<dl>
					{#each code as { part, words } (part)}
						<div>
							<dt class="figure">{part}</dt>
							<dd>{words}</dd>
						</div>
					{/each}
				</dl>
				<p class="soft">Makers differ: the figures on the label decide.</p>
			</section>
		{/if}
	</div>
</div>

<style>
	.plate-and-words {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 20rem;
		gap: 1.5rem;
		align-items: start;
	}

	/* Drawn as the thing it is: a rating plate with its four rivets. */
	.plate {
		display: grid;
		grid-template-columns: repeat(6, minmax(0, 1fr));
		gap: 0.9rem 1.25rem;
		padding: 1.75rem;
		background:
			radial-gradient(circle at 12px 12px, var(--rule) 3px, transparent 3.6px),
			radial-gradient(circle at calc(100% - 12px) 12px, var(--rule) 3px, transparent 3.6px),
			radial-gradient(circle at 12px calc(100% - 12px), var(--rule) 3px, transparent 3.6px),
			radial-gradient(
				circle at calc(100% - 12px) calc(100% - 12px),
				var(--rule) 3px,
				transparent 3.6px
			),
			var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 6px;
	}

	.plate > :global(*) {
		grid-column: span 2;
	}

	.plate > .name {
		grid-column: 1 / -1;
	}

	.pair {
		display: grid;
		grid-template-columns: 1fr 6.8rem;
		gap: 0.5rem;
		align-items: start;
	}

	.plate > .wide {
		grid-column: span 3;
	}

	.aid {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem 1rem;
	}

	.said {
		display: grid;
		gap: 1rem;
		position: sticky;
		top: 1rem;
	}

	section {
		padding: 0.9rem 1.1rem;
	}

	h2 {
		font-size: 1.05rem;
		margin-bottom: 0.3rem;
	}

	dl div {
		display: grid;
		grid-template-columns: 4.5rem 1fr;
		padding: 0.15rem 0;
	}

	dt {
		font-weight: 650;
	}

	@media (max-width: 900px) {
		.plate-and-words {
			grid-template-columns: minmax(0, 1fr);
		}

		.plate {
			padding: 1.5rem 1.1rem;
			gap: 0.8rem 0.7rem;
		}

		.said {
			position: static;
		}
	}

	@media (max-width: 560px) {
		.plate > :global(*) {
			grid-column: span 3;
		}

		.plate > :global(.field),
		.plate > .wide.pair {
			grid-column: 1 / -1;
		}
	}
</style>
