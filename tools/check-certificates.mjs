// Checks a file of certificates by itself: plain JavaScript for Node.js, without packages and without the program that made the file.
//   node tools/check-certificates.mjs certificates.json [link seal]
// With the number and the seal printed on a certificate in hand, it also says whether that very certificate is in the file.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';

const [path, wantedLink, wantedSeal] = process.argv.slice(2);
if (!path) {
  console.error('Usage: node tools/check-certificates.mjs FILE [LINK SEAL]');
  process.exit(2);
}

const canonical = (value) => {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  const keys = Object.keys(value).sort((a, b) => (a < b ? -1 : 1));
  return `{${keys.map((key) => `${JSON.stringify(key)}:${canonical(value[key])}`).join(',')}}`;
};
const hashOf = (value) => createHash('sha256').update(canonical(value)).digest('base64url');

let file;
try {
  file = JSON.parse(readFileSync(path, 'utf8'));
} catch (error) {
  console.error(`This file cannot be read: ${error.message}`);
  process.exit(2);
}
if (file?.format !== 'katharos-certificates' || !Array.isArray(file.certificates)) {
  console.error('This is no file of certificates.');
  process.exit(2);
}

const faults = [];
let last = { link: 0, seal: '' };
for (const { seal, content, ...sealed } of file.certificates) {
  const say = (fault) => faults.push(`Certificate ${sealed.link} (job ${sealed.job}): ${fault}`);
  if (sealed.link !== last.link + 1) say('one or more before it are missing');
  else if (sealed.before !== last.seal) say('not sealed to the one before it');
  if (hashOf(sealed) !== seal) say('its record was changed after it was sealed');
  if (content === null) say('its content is missing');
  else if (hashOf(content) !== sealed.hash) say('its content was changed after it was issued');
  last = { link: sealed.link, seal };
}
if (wantedLink !== undefined) {
  const found = file.certificates.find(({ link }) => String(link) === wantedLink);
  if (!found) faults.push(`Certificate ${wantedLink} is not in the file`);
  else if (found.seal !== wantedSeal) faults.push(`Certificate ${wantedLink} has another seal`);
}

for (const fault of faults) console.log(fault);
console.log(
  faults.length === 0
    ? `${file.certificates.length} certificates, each as issued. Seal of the last: ${last.seal}`
    : `${faults.length} faults in ${file.certificates.length} certificates.`,
);
process.exit(faults.length === 0 ? 0 : 1);
