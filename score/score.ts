import { scoreReader } from './reader';

const scores: Record<string, () => boolean> = { reader: scoreReader };
const [wanted] = process.argv.slice(2);
if (wanted === undefined || !Object.hasOwn(scores, wanted)) {
  process.stderr.write(`score: expected ${Object.keys(scores).join(' or ')}, found ${wanted === undefined ? 'nothing' : `"${wanted}"`}\n`);
  process.exit(2);
}
process.exit(scores[wanted]() ? 0 : 1);
