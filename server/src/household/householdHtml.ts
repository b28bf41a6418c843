import { complaints } from '@katharos/core';
import type { HouseholdPage } from '@katharos/papers';
import { complaintWords } from '@katharos/words';

const escapes: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const safe = (text: string): string => text.replace(/[&<>"']/g, (letter) => escapes[letter]!);
const list = (items: readonly string[]): string =>
  `<ul>${items.map((item) => `<li>${safe(item)}</li>`).join('')}</ul>`;

const style = `body{font:18px/1.5 system-ui,sans-serif;max-width:38em;margin:0 auto;padding:16px;color:#12303a;background:#f4f7f6}
h1{font-size:1.5em}h2{font-size:1.15em;margin-top:1.6em}li{margin:.4em 0}
label{display:block;margin:.8em 0 .2em}select,textarea,button,input{font:inherit;width:100%;min-height:48px;padding:8px;border:1px solid #4a6068;border-radius:8px;background:#fff;color:inherit;box-sizing:border-box}
button{background:#146576;color:#fff;border:0;margin-top:1em}.said{background:#e3f3ea;padding:12px;border-radius:8px}.fault{background:#fbe7e8;padding:12px;border-radius:8px}
@media(prefers-color-scheme:dark){body{background:#0c1c22;color:#e6f1f2}select,textarea{background:#13272f;border-color:#a9bec4}.said{background:#12321f}.fault{background:#3a1417}}
@media print{form,.said{display:none}body{background:#fff;color:#000}}`;

/** A page that is not there, in words that help whoever scanned an old card. */
export const notHereHtml = (sentence: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta name="robots" content="noindex,nofollow"><title>Your drinking water</title><style>${style}</style></head><body><main>
<h1>Your drinking water</h1><p>${safe(sentence)}</p></main></body></html>
`;

/** The page as a household reads it: no script, for any telephone, and printed as a card. */
export const householdHtml = (
  { firm, water, due, done, shut, call }: HouseholdPage,
  { said, fault, text }: { said: boolean; fault: string; text: string },
): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta name="robots" content="noindex,nofollow"><meta name="referrer" content="same-origin">
<title>Your drinking water</title><style>${style}</style></head><body><main>
<p>${safe(firm)}</p><h1>Your drinking water</h1>
${said ? '<p class="said" role="status">It is told. Where water runs, close it off first and call.</p>' : ''}
<h2>How to shut it off</h2>${list(shut)}
<h2>Whom to call</h2><p>${safe(call)}</p>
<h2>Your water</h2>${list(water)}
<h2>What is due</h2>${list(due)}
<h2>What was done</h2>${done.length > 0 ? list(done.map(({ when, what }) => `${when}. ${what}`)) : '<p>Nobody had to come yet.</p>'}
<h2>Something is not right</h2>
${fault ? `<p class="fault" role="alert">${safe(fault)}</p>` : ''}
<form method="post" enctype="multipart/form-data"><label for="complaint">What it is</label><select id="complaint" name="complaint">${complaints
  .map((one) => `<option value="${one}">${safe(complaintWords[one])}</option>`)
  .join('')}</select>
<label for="text">In your words</label><textarea id="text" name="text" rows="4" maxlength="1000">${safe(text)}</textarea>
<label for="photograph">A photograph, if it helps</label><input id="photograph" name="photograph" type="file" accept="image/*">
<button type="submit">Tell ${safe(firm)}</button></form>
</main></body></html>
`;
