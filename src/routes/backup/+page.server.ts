import { fail } from '@sveltejs/kit';
import { readFigure } from '$core/document';
import { backUp, backupFolder, listBackups } from '$lib/server/backup/backup';
import { backupSchedule, failedBackup, setBackupSchedule } from '$lib/server/backup/schedule';
import { database, DATABASE_PATH } from '$lib/server/database';
import { formOf } from '$lib/server/forms';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	schedule: await backupSchedule(await database()),
	failed: failedBackup(),
	folder: backupFolder(DATABASE_PATH),
	backups: listBackups(backupFolder(DATABASE_PATH))
});

const HOURS = { min: 1, max: 720, unit: 'hours', whole: true } as const;
const KEEP = { min: 1, max: 1000, unit: 'copies', whole: true } as const;

export const actions: Actions = {
	now: async () => {
		const made = await backUp(DATABASE_PATH, backupFolder(DATABASE_PATH), Date.now());
		if (!made.ok) return fail(500, { problem: made.problem });
		return { made: made.value };
	},
	schedule: async ({ request }) => {
		const form = await formOf(request);
		const hours = String(form.get('hours') ?? '').trim();
		const keep = String(form.get('keep') ?? '');
		const readHours = hours === '' ? { ok: true as const, value: null } : readFigure(hours, HOURS);
		const readKeep = readFigure(keep, KEEP);
		if (!readHours.ok || !readKeep.ok) {
			return fail(400, {
				typed: { hours, keep },
				errors: {
					hours: readHours.ok ? [] : [readHours.problem],
					keep: readKeep.ok ? [] : [readKeep.problem]
				}
			});
		}
		await setBackupSchedule(await database(), { hours: readHours.value, keep: readKeep.value });
		return { stored: true };
	}
};
