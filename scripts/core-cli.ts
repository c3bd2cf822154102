// The core from the command line: npm run --silent core -- VERB …; prints JSON, or Markdown for `draft`.
import { run } from './core/run';

const { out, err, code } = run(process.argv.slice(2));
process.stderr.write(err);
process.stdout.write(out);
process.exitCode = code;
