/* npm test: installs what is missing, then check, unit, reference and browser tests. */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBrowser } from './browser.mjs';
import {
	ensureApplication,
	ensureGenerated,
	ensureTools,
	installedMeanwhile,
	ROOT,
	say,
	toolPath
} from './ready.mjs';

const installed = installedMeanwhile();
const noBrowser = ensureBrowser();
if (noBrowser) say(`${noBrowser} All other tests run.`);
ensureGenerated();

// Beside the build, which leaves most of a second processor idle.
const check = spawn(process.execPath, ['scripts/check.mjs'], { cwd: ROOT, stdio: 'inherit' });
const checked = once(check, 'exit');
process.on('exit', () => check.kill());
ensureTools();
ensureApplication();
const [checkedWith] = await checked;
await installed;

const folder = mkdtempSync(join(tmpdir(), 'zembo-test-'));
const report = join(folder, 'report.json');
const tested = spawnSync(
	process.execPath,
	[
		toolPath('vitest'),
		'run',
		'--reporter=default',
		'--reporter=json',
		`--outputFile.json=${report}`,
		...(noBrowser ? ['--project=!browser'] : []),
		...process.argv.slice(2)
	],
	{ cwd: ROOT, stdio: 'inherit' }
);
let passed = 0;
let failed;
try {
	const result = JSON.parse(readFileSync(report, 'utf8'));
	passed = result.numPassedTests;
	// A file that does not load counts as one failure.
	const broken = result.testResults.filter(
		(file) => file.status === 'failed' && file.assertionResults.length === 0
	);
	failed = result.numFailedTests + broken.length;
} catch {
	failed = 1;
}
rmSync(folder, { recursive: true, force: true });
// The whole of npm run check is one check of its own.
if (checkedWith === 0) passed += 1;
else failed += 1;
say(checkedWith === 0 ? 'npm run check is clean.' : 'npm run check found something; see above.');
if (noBrowser) say(`No browser test ran. ${noBrowser}`);
say(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 || noBrowser || tested.status !== 0 ? 1 : 0);
