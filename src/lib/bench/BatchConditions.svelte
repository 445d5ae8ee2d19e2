<script lang="ts">
	import { untrack } from 'svelte';
	import {
		assumedCellTemperature,
		EMPTY_BATCH,
		type ModuleBatch,
		NO_LABEL,
		USUAL_LIMITS
	} from '$core/bench';
	import { BATCH_LIMITS, readFigure } from '$core/document';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { useBatch } from '$lib/session/batch-session.svelte';
	import LabelForm from './LabelForm.svelte';

	/* What the batch is judged by: the control, else the stated light; the band, or fixed limits. */

	const NEW_CONTROL = { model: '', label: NO_LABEL, share: 1, takes: [] };

	const session = useBatch();
	const batch = $derived(session.batch);
	let errors = $state<Record<string, string>>({});
	/** Open at first where nothing is known yet; then as the person leaves it. */
	let open = $state(
		untrack(() => session.batch.control === null && session.batch.sky.irradiance === null)
	);

	function figure(
		key: string,
		text: string,
		limits: Parameters<typeof readFigure>[1],
		change: (batch: ModuleBatch, value: number | null) => ModuleBatch,
		optional = true
	): void {
		if (text.trim() === '' && optional) {
			errors[key] = '';
			return session.change((now) => change(now, null));
		}
		const read = readFigure(text, limits);
		errors[key] = read.ok ? '' : read.problem;
		if (read.ok) session.change((now) => change(now, read.value));
	}
	/** Says under a field that what stands in it is Zembo's own. */
	const DEFAULT = 'Default';
	const asDefault = (value: number, usual: number) => (value === usual ? DEFAULT : '');
	const of = (key: string) => (errors[key] ? [errors[key]] : []);
	const LIMITS = [
		['good', 'Good from'],
		['fair', 'Fair from'],
		['weak', 'Out below']
	] as const;
	function setLimit(key: 'good' | 'fair' | 'weak', text: string): void {
		figure(
			key,
			text,
			BATCH_LIMITS.limitPct,
			(now, value) => {
				const limits = { ...now.profile.limits, [key]: value! / 100 };
				if (!(limits.good > limits.fair && limits.fair > limits.weak)) {
					errors[key] = 'The limits must fall from good over fair to out.';
					return now;
				}
				return { ...now, profile: { ...now.profile, limits } };
			},
			false
		);
	}
</script>

<details class="panel" bind:open>
	<summary>
		Judged by: {batch.control
			? `the reference module, ${batch.control.model || 'no name'}`
			: batch.sky.irradiance !== null
				? `stated irradiance, ${batch.sky.irradiance} W/m²`
				: 'nothing yet'}
	</summary>
	<div class="body">
		<Field
			label="Name of the batch"
			name="batch-name"
			value={batch.name}
			maxlength={80}
			required
			onchange={(event) => {
				const name = event.currentTarget.value.trim();
				if (name !== '') session.change((now) => ({ ...now, name }));
			}}
		/>
		<p class="soft">
			The reference module is known to be good and measured in between: its drift is the sun’s.
			Without one, state irradiance and cell temperature.
		</p>
		{#if batch.control}
			<div class="grid">
				<Field
					label="Reference module, model"
					name="control-model"
					value={batch.control.model}
					maxlength={80}
					onchange={(event) =>
						session.change((now) => ({
							...now,
							control: now.control && { ...now.control, model: event.currentTarget.value.trim() }
						}))}
				/>
				<Field
					label="Its power, of its nameplate"
					name="control-share"
					unit="%"
					figures
					value={String(Number((100 * batch.control.share).toFixed(1)))}
					help={asDefault(batch.control.share, NEW_CONTROL.share)}
					errors={of('share')}
					onchange={(event) =>
						figure(
							'share',
							event.currentTarget.value,
							BATCH_LIMITS.sharePct,
							(now, value) => ({
								...now,
								control: now.control && { ...now.control, share: value! / 100 }
							}),
							false
						)}
				/>
			</div>
			<LabelForm
				label={batch.control.label}
				onchange={(label) =>
					session.change((now) => ({
						...now,
						control: now.control && { ...now.control, label }
					}))}
			/>
			<label class="same">
				<input
					type="checkbox"
					name="samePlane"
					checked={batch.control.samePlane === true}
					onchange={(event) => {
						const { checked } = event.currentTarget;
						session.change((now) => {
							if (!now.control) return now;
							const { samePlane: _, ...control } = now.control;
							return { ...now, control: checked ? { ...control, samePlane: true } : control };
						});
					}}
				/>
				Checked: it lies in one plane with every module that is measured
			</label>
			<p class="soft">
				10° between them can cost 17 %. Where nobody checked, the range of every result allows for
				it.
			</p>
			<button
				type="button"
				class="act-plain"
				onclick={() => session.change((now) => ({ ...now, control: null }))}
				>No reference module</button
			>
		{:else}
			<button
				type="button"
				class="act"
				onclick={() =>
					session.change((now) => ({
						...now,
						control: NEW_CONTROL
					}))}>Use a reference module</button
			>
			<div class="grid">
				<Field
					label="Plane-of-array irradiance"
					name="irradiance"
					unit="W/m²"
					figures
					value={String(batch.sky.irradiance ?? '')}
					errors={of('irradiance')}
					onchange={(event) =>
						figure(
							'irradiance',
							event.currentTarget.value,
							BATCH_LIMITS.irradiance,
							(now, irradiance) => ({ ...now, sky: { ...now.sky, irradiance } })
						)}
				/>
				<Field
					label="Cell temperature"
					name="cellTemperature"
					unit="°C"
					figures
					value={String(batch.sky.cellTemperature ?? '')}
					help={batch.sky.cellTemperature === null && batch.sky.irradiance !== null
						? `Default: ${assumedCellTemperature(batch.sky.irradiance).toFixed(0)} °C, 20 °C of air and the sun on it`
						: ''}
					errors={of('cells')}
					onchange={(event) =>
						figure(
							'cells',
							event.currentTarget.value,
							BATCH_LIMITS.cellTemperature,
							(now, cellTemperature) => ({ ...now, sky: { ...now.sky, cellTemperature } })
						)}
				/>
				<Field
					label="Irradiance uncertainty"
					name="irradianceUncertainty"
					unit="± %"
					figures
					value={String(Number((100 * batch.sky.lightDoubt).toFixed(1)))}
					help={asDefault(batch.sky.lightDoubt, EMPTY_BATCH.sky.lightDoubt)}
					errors={of('uncertainty')}
					onchange={(event) =>
						figure(
							'uncertainty',
							event.currentTarget.value,
							BATCH_LIMITS.irradianceUncertaintyPct,
							(now, value) => ({ ...now, sky: { ...now.sky, lightDoubt: value! / 100 } }),
							false
						)}
				/>
			</div>
		{/if}
		<div class="grid">
			<Choice
				label="Grades"
				name="by"
				value={batch.profile.by}
				options={[
					{ value: 'band', words: 'by the band of its age' },
					{ value: 'limits', words: 'by fixed limits' }
				]}
				onchange={(event) => {
					const by = event.currentTarget.value as ModuleBatch['profile']['by'];
					session.change((now) => ({ ...now, profile: { ...now.profile, by } }));
				}}
			/>
			{#each LIMITS as [key, words] (key)}
				<Field
					label={words}
					name="limit-{key}"
					unit="%"
					figures
					value={String(Number((100 * batch.profile.limits[key]).toFixed(1)))}
					help={asDefault(batch.profile.limits[key], USUAL_LIMITS[key])}
					errors={of(key)}
					onchange={(event) => setLimit(key, event.currentTarget.value)}
				/>
			{/each}
		</div>
	</div>
</details>

<style>
	summary {
		min-height: 44px;
		padding: 0.3rem 1rem;
		align-content: center;
		font-weight: 600;
	}

	.same {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
		font-weight: 600;
	}

	.same input {
		flex: none;
		width: 1.5rem;
		height: 1.5rem;
	}

	.body {
		display: grid;
		gap: 0.8rem;
		padding: 0.4rem 1rem 1rem;
		justify-items: start;
	}

	.body > :global(*) {
		max-width: 100%;
	}

	.grid {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
		width: 100%;
	}
</style>
