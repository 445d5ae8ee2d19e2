<script lang="ts">
	import { superForm } from 'sveltekit-superforms/client';
	import { resolve } from '$app/paths';
	import { labelFormSchema, plateOfForm, type LabelForm } from '$core/document/forms';
	import { ALPHA_UNITS, BETA_UNITS } from '$core/module/coefficients';
	import { checkLabel } from '$core/module/plausibility';
	import type { Plate } from '$core/module/plate';
	import { TECHNOLOGIES, TECHNOLOGY_FACTS } from '$core/module/technology';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import LabelCurve from '$lib/ui/LabelCurve.svelte';

	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });

	const typed = $derived(plateOfForm($form));
	const findings = $derived(checkLabel(typed));
	/** The label as soon as every field is a figure. */
	const plate = $derived<Plate | null>(
		labelFormSchema.omit({ name: true }).safeParse($form).success ? typed : null
	);
	const FIELD_OF: Partial<Record<keyof Plate, keyof LabelForm>> = {
		alphaIscPctPerK: 'alpha',
		betaVocPctPerK: 'beta'
	};
	const beside = (field: keyof LabelForm, severity: 'error' | 'odd') =>
		findings
			.filter((f) => f.severity === severity && (FIELD_OF[f.field] ?? f.field) === field)
			.map((f) => f.words);
	const wrong = (field: keyof LabelForm) => [
		...new Set([...($errors[field] ?? []), ...beside(field, 'error')])
	];
	const unit = (values: readonly string[]) => values.map((value) => ({ value, words: value }));
</script>

<svelte:head><title>Label · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<p>
		<a href={resolve('/sites/[site]/take-over', { site: data.site.id })}
			>Take over {data.site.name}</a
		>
	</p>
	<h1>The module’s label</h1>
	<p class="soft lead">
		Values at standard test conditions. The label is checked against itself as you type: what cannot
		be blocks, what is odd is said beside the field.
		{#if data.used > 0}{data.used} strings use this type; earlier visits keep the label they were made
			with.{/if}
	</p>

	<form method="POST" use:enhance>
		<input type="hidden" name="revision" value={data.revision.id} />
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
			<Field
				label="Cells in series"
				name="cellsInSeries"
				bind:value={$form.cellsInSeries}
				errors={wrong('cellsInSeries')}
				odd={beside('cellsInSeries', 'odd')}
				figures
				help="120 half-cut cells are 60 in series"
			/>
			<Field
				label="Sections (bypass diodes)"
				name="sections"
				bind:value={$form.sections}
				errors={wrong('sections')}
				figures
				help="Nearly always 3"
			/>
			<Field
				label="Pmax"
				name="pmax"
				bind:value={$form.pmax}
				errors={wrong('pmax')}
				odd={beside('pmax', 'odd')}
				unit="W"
				figures
			/>
			<Field
				label="Vmp"
				name="vmp"
				bind:value={$form.vmp}
				errors={wrong('vmp')}
				odd={beside('vmp', 'odd')}
				unit="V"
				figures
			/>
			<Field
				label="Imp"
				name="imp"
				bind:value={$form.imp}
				errors={wrong('imp')}
				odd={beside('imp', 'odd')}
				unit="A"
				figures
			/>
			<Field
				label="Voc"
				name="voc"
				bind:value={$form.voc}
				errors={wrong('voc')}
				odd={beside('voc', 'odd')}
				unit="V"
				figures
			/>
			<Field
				label="Isc"
				name="isc"
				bind:value={$form.isc}
				errors={wrong('isc')}
				odd={beside('isc', 'odd')}
				unit="A"
				figures
			/>
			<div class="pair">
				<Field
					label="Coefficient of Isc"
					name="alpha"
					bind:value={$form.alpha}
					errors={wrong('alpha')}
					odd={beside('alpha', 'odd')}
					figures
					help="Empty if the label states none"
				/>
				<Choice
					label="in"
					name="alphaUnit"
					bind:value={$form.alphaUnit}
					options={unit(ALPHA_UNITS)}
				/>
			</div>
			<div class="pair">
				<Field
					label="Coefficient of Voc"
					name="beta"
					bind:value={$form.beta}
					errors={wrong('beta')}
					odd={beside('beta', 'odd')}
					figures
					help="Negative; empty if the label states none"
				/>
				<Choice label="in" name="betaUnit" bind:value={$form.betaUnit} options={unit(BETA_UNITS)} />
			</div>
			<Field
				label="Tolerance of Voc ±"
				name="vocPct"
				bind:value={$form.vocPct}
				errors={wrong('vocPct')}
				unit="%"
				figures
				help="If the label states none, 2 % is usual"
			/>
			<Field
				label="Tolerance of Isc ±"
				name="iscPct"
				bind:value={$form.iscPct}
				errors={wrong('iscPct')}
				unit="%"
				figures
				help="If the label states none, 3 % is usual"
			/>
		</div>
		<LabelCurve {plate} blocked={findings.some((f) => f.severity === 'error')} />
		<p class="store"><button class="act" disabled={$submitting}>Store the label</button></p>
	</form>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 72ch;
	}

	form {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 20rem;
		gap: 1.5rem;
		margin-top: 1rem;
		align-items: start;
	}

	/* Drawn as the thing it is: a rating plate with its four rivets. */
	.plate {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
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

	.name {
		grid-column: 1 / -1;
	}

	.pair {
		display: grid;
		grid-template-columns: 1fr 6.8rem;
		gap: 0.5rem;
		align-items: start;
	}

	.store {
		grid-column: 1 / -1;
	}

	@media (max-width: 900px) {
		form {
			grid-template-columns: minmax(0, 1fr);
		}

		.plate {
			padding: 1.5rem 1.1rem;
			grid-template-columns: repeat(auto-fit, minmax(9.5rem, 1fr));
		}
	}
</style>
