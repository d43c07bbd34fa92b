import { idInAddress } from '../src/contracts/index.ts';
import { formatMoment, type Instant, zoneClock } from '../src/core/calendar/index.ts';
import { HOUSE_WRITING, momentWords } from '../src/core/writing/index.ts';
import type { Rung } from './ring.ts';
import { SCENARIOS } from './scenario.ts';
import type { TillState } from './till-ports.ts';
import { DISK_TROUBLES, type DiskTrouble } from './troubled-disk.ts';

const STYLE = `@font-face{font-family:House;src:url(/font/text) format("woff2");font-weight:100 900;font-display:swap}
@font-face{font-family:HouseHead;src:url(/font/head) format("woff2");font-weight:200 900;font-display:swap}
:root{color-scheme:light dark;--paper:oklch(97.6% .011 88);--board:oklch(95.2% .014 87);--line:oklch(86.5% .018 86);--ink:oklch(25% .035 262);--brass:oklch(50% .098 78);--tag:oklch(90% .058 88);--trouble:oklch(47% .17 28)}
@media (prefers-color-scheme:dark){:root{--paper:oklch(22% .025 262);--board:oklch(25.5% .027 262);--line:oklch(37% .03 262);--ink:oklch(93% .014 88);--brass:oklch(80% .105 84);--tag:oklch(36% .05 75);--trouble:oklch(76% .13 28)}}
body{font:16px/1.5 House,system-ui,sans-serif;margin:0;background:var(--paper);color:var(--ink)}main{max-width:56rem;margin:0 auto;padding:1.5rem}
h1,h2{font-family:HouseHead,Georgia,serif;font-weight:600;line-height:1.2}h1{font-size:1.9rem;margin:.2rem 0 .6rem}h2{font-size:1.25rem;margin:2rem 0 .3rem}a{color:inherit;text-underline-offset:3px}
table{border-collapse:collapse;width:100%}td,th{text-align:left;padding:.35rem .5rem;border-bottom:1px solid var(--line);font-variant-numeric:tabular-nums}th{font-size:.85rem;font-weight:500}
input,select,button{font:inherit;min-height:2.5rem;box-sizing:border-box;padding:.4rem .7rem;border:1px solid var(--line);border-radius:.25rem;background:var(--paper);color:inherit}button{background:var(--board);font-weight:600;cursor:pointer}button.first{background:var(--brass);border-color:var(--brass);color:var(--paper)}
form{display:flex;gap:.6rem;flex-wrap:wrap;align-items:end;margin:.8rem 0}label{display:grid;font-size:.85rem}.quiet{opacity:.75;font-size:.9rem}.figure{font-size:3rem;font-variant-numeric:tabular-nums;margin:.3rem 0}
.tag{display:inline-block;padding:0 .5em 0 1.2em;background:radial-gradient(circle at .7em 50%,var(--paper) .16em,transparent .19em),var(--tag);clip-path:polygon(.5em 0,100% 0,100% 100%,.5em 100%,0 66%,0 34%)}.off{color:var(--trouble)}del{opacity:.75}figure{margin:0 0 1rem}figcaption{font-size:.9rem}.amount{text-align:right;vertical-align:top;font-variant-numeric:tabular-nums}`;

export const escapeHtml = (text: unknown): string =>
  String(text ?? '').replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

export const document = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escapeHtml(title)}</title><style>${STYLE}</style></head><body><main>${body}</main></body></html>`;

/** By the clock of its store. */
const heldSince = (state: TillState): string =>
  state.heldSince === null
    ? 'ever'
    : momentWords(
        formatMoment(Date.parse(state.heldSince) as Instant, zoneClock(state.timeZone)).slice(0, 16),
        HOUSE_WRITING,
      );

const clockOf = (state: TillState): string => formatMoment(state.clock as Instant, zoneClock(state.timeZone));

/** A till as its page shows it, with what is made to happen to it. */
export type ShownTill = TillState & {
  readonly disk: DiskTrouble;
  readonly old: boolean;
  readonly dark: boolean;
};

const DISK_WORDS: Readonly<Record<DiskTrouble, string>> = {
  none: 'works',
  full: 'is full',
  'power-cut': 'loses its power in the next write',
};

/** On, off, or dark; and what is made to happen to it. */
function stateWords({ on, dark, delay, disk, old }: ShownTill): string {
  const states = [
    dark ? '<b class="off">without power</b>' : on ? 'on' : '<b class="off">off</b>',
    ...(delay > 0 ? [`slow by ${delay} ms`] : []),
    ...(disk === 'none' ? [] : [`its disk ${DISK_WORDS[disk]}`]),
    ...(old ? ['first version'] : []),
  ];
  return states.join(', ');
}

export function listPage(states: readonly ShownTill[]): string {
  const rows = states.map(
    (state) =>
      `<tr><td><a href="/till/${idInAddress(state.id)}">${escapeHtml(state.id)}</a></td><td>${stateWords(state)}</td><td>${state.holds === null ? 'nothing yet' : `price file ${state.holds}`}</td><td>${clockOf(state)}</td><td class="off">${escapeHtml(state.problem)}</td></tr>`,
  );
  const buttons = SCENARIOS.map(
    ({ name, words }) =>
      `<tr><td><form method="post" action="/scenario/${name}" style="margin:0"><button>Make it so</button></form></td><td>${escapeHtml(words)}</td><td class="quiet">npm run tills -- ${name}</td></tr>`,
  );
  return document(
    'Simulated tills',
    `<h1>Simulated tills</h1><p>${states.length} tills. Each takes its price files over the network and rings from its own disk.</p>
<h2>What befalls all of them</h2><table><tbody>${buttons.join('')}</tbody></table>
<h2>The tills</h2><table><thead><tr><th>Till</th><th>State</th><th>Holds</th><th>Its clock</th><th>Problem</th></tr></thead><tbody>${rows.join('')}</tbody></table>`,
  );
}

export function tillPage(
  state: ShownTill,
  rung: Rung | null,
  asked: { code: string; group: string },
  fault: string | null = null,
): string {
  const options = (all: readonly (readonly [value: string, words: string])[], chosen: string) =>
    all
      .map(
        ([value, words]) =>
          `<option value="${escapeHtml(value)}"${value === chosen ? ' selected' : ''}>${escapeHtml(words)}</option>`,
      )
      .join('');
  const groups = options(
    [['', 'Guest'], ...state.groups.map(({ id, name }) => [id, name] as const)],
    asked.group,
  );
  const disks = options(
    DISK_TROUBLES.map((one) => [one, DISK_WORDS[one]] as const),
    state.disk,
  );
  const versions = options(
    [
      ['now', 'of today'],
      ['first', 'of the first version'],
    ],
    state.old ? 'first' : 'now',
  );
  return document(
    `Till ${state.id}`,
    `<p><a href="/">All tills</a></p><h1>Till ${escapeHtml(state.id)}</h1>
<p>${state.dark ? '<b class="off">Without power</b>' : state.on ? 'Switched on' : '<b class="off">Switched off</b>'}; holds ${state.holds === null ? 'nothing yet' : `price file ${state.holds} since ${heldSince(state)}`}; its clock says <b>${momentWords(clockOf(state).slice(0, 16), HOUSE_WRITING)}</b> (${escapeHtml(state.timeZone)}).</p>
${state.picturesToCome > 0 ? `<p>${state.picturesToCome} pictures still to come.</p>` : ''}
${state.problem ? `<p class="off" role="status">${escapeHtml(state.problem)}</p>` : ''}
<form><label>SKU or barcode<input name="code" value="${escapeHtml(asked.code)}" autofocus></label><label>Shopper<select name="group">${groups}</select></label><button class="first">Ring</button></form>
<p><a href="/till/${idInAddress(state.id)}/basket">A whole basket</a></p>
${rung ? rungWords(rung) : ''}
<h2>Make trouble</h2><p>Set its clock to a minute before a promotion starts, make it slow, fill its disk, or switch it off: Bell Tag tells at Send.</p>
${fault === null ? '' : `<p class="off" role="alert">${escapeHtml(fault)}</p>`}
<form method="post" action="/till/${idInAddress(state.id)}/control"><label>Clock at the store<input name="clock" placeholder="2027-03-01T08:59"></label><label>Delay in ms<input name="delay" value="${state.delay}" inputmode="numeric"></label>
<label>Its disk<select name="disk">${disks}</select></label><label>Its program<select name="version">${versions}</select></label>
<button name="set" value="1" class="first">Set</button><button name="right" value="1">Right clock</button><button name="on" value="${state.on ? '0' : '1'}">Switch ${state.on ? 'off' : 'on'}</button></form>
<h2>Its key</h2><p>Where it was given another key on its page in Bell Tag, that is put in here.</p>
<form method="post" action="/till/${idInAddress(state.id)}/control"><label>Key<input name="key" autocomplete="off" spellcheck="false" size="34"></label><button>Put it in</button></form>`,
  );
}

function rungWords(rung: Rung): string {
  if (rung.price === null)
    return `<p role="status">${escapeHtml(rung.name ?? rung.sku)}: cannot be sold here (${escapeHtml(rung.problem)}).</p>`;
  const was = rung.price === rung.regular ? '' : `<del>${escapeHtml(rung.regular)}</del> `;
  return `<section role="status"><p>${escapeHtml(rung.name)}, ${momentWords(rung.at.slice(0, 16), HOUSE_WRITING)}</p><p class="figure">${was}<span class="${rung.promotion ? 'tag' : ''}">${escapeHtml(rung.price)}</span></p><p>${rung.promotion ? `by “${escapeHtml(rung.promotionName)}”` : 'at its base price'}</p></section>`;
}
