// Prints every text of the program, so that a person of the trade can read them in one table: npm run words > words.tsv
import { join } from 'node:path';
import { programTexts } from './program-text';

console.log('file\tline\ttext');
for (const { file, line, text } of programTexts(join(__dirname, '..')))
  console.log(`${file}\t${line}\t${text.replace(/[\t\n]+/g, ' ')}`);
