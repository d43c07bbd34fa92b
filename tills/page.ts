import { idInAddress } from '../src/contracts/index.ts';
import { formatMoment, type Instant, zoneClock } from '../src/core/calendar/index.ts';
import { HOUSE_WRITING, momentWords } from '../src/core/writing/index.ts';
import type { Rung } from './ring.ts';
import type { TillState } from './till.ts';

const STYLE = `body{font:16px/1.5 system-ui,sans-serif;margin:0;background:#f7f3ea;color:#17202e}main{max-width:44rem;margin:0 auto;padding:1.5rem}
h1{font-size:1.4rem}a{color:#7a4f00}table{border-collapse:collapse;width:100%}td,th{text-align:left;padding:.35rem .5rem;border-bottom:1px solid #d8d0bd}
input,select,button{font:inherit;padding:.4rem .6rem;border:1px solid #6b6455;border-radius:.3rem;background:#fff}button{background:#17202e;color:#fff;cursor:pointer}
form{display:flex;gap:.5rem;flex-wrap:wrap;align-items:end;margin:1rem 0}label{display:grid;font-size:.85rem}.figure{font-size:3rem;font-variant-numeric:tabular-nums}
.figure{margin:.3rem 0}.tag{display:inline-block;padding:0 .5em 0 1.2em;background:radial-gradient(circle at .7em 50%,#f7f3ea .16em,transparent .19em),#eedcb2;clip-path:polygon(.5em 0,100% 0,100% 100%,.5em 100%,0 66%,0 34%)}.off{color:#8d1f1f}del{color:#5c564a}figure{margin:0 0 1rem}figcaption{font-size:.9rem}.amount{text-align:right;vertical-align:top;font-variant-numeric:tabular-nums}`;

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

export function listPage(states: readonly TillState[]): string {
  const rows = states.map(
    (state) =>
      `<tr><td><a href="/till/${idInAddress(state.id)}">${escapeHtml(state.id)}</a></td><td>${state.on ? 'on' : '<b class="off">off</b>'}</td><td>${state.holds === null ? 'nothing yet' : `price file ${state.holds}`}</td><td>${clockOf(state)}</td><td>${escapeHtml(state.problem)}</td></tr>`,
  );
  return document(
    'Simulated tills',
    `<h1>Simulated tills</h1><p>${states.length} tills. Each takes its price files over the network and rings from its own disk.</p><table><thead><tr><th>till</th><th>state</th><th>holds</th><th>its clock</th><th>problem</th></tr></thead><tbody>${rows.join('')}</tbody></table>`,
  );
}

export function tillPage(
  state: TillState,
  rung: Rung | null,
  asked: { code: string; group: string },
  fault: string | null = null,
): string {
  const groups = state.groups
    .map(
      ({ id, name }) =>
        `<option value="${escapeHtml(id)}"${id === asked.group ? ' selected' : ''}>${escapeHtml(name)}</option>`,
    )
    .join('');
  return document(
    `Till ${state.id}`,
    `<p><a href="/">All tills</a></p><h1>Till ${escapeHtml(state.id)}</h1>
<p>${state.on ? 'Switched on' : '<b class="off">Switched off</b>'}; holds ${state.holds === null ? 'nothing yet' : `price file ${state.holds} since ${heldSince(state)}`}; its clock says <b>${momentWords(clockOf(state).slice(0, 16), HOUSE_WRITING)}</b> (${escapeHtml(state.timeZone)}).</p>
${state.picturesToCome > 0 ? `<p>${state.picturesToCome} pictures still to come.</p>` : ''}
${state.problem ? `<p class="off" role="status">${escapeHtml(state.problem)}</p>` : ''}
<form><label>SKU or barcode<input name="code" value="${escapeHtml(asked.code)}" autofocus></label><label>Shopper<select name="group"><option value="">Guest</option>${groups}</select></label><button>Ring</button></form>
<p><a href="/till/${idInAddress(state.id)}/basket">A whole basket</a></p>
${rung ? rungWords(rung) : ''}
<h2>Make trouble</h2><p>Set its clock to a minute before a promotion starts, make it slow, or switch it off: Bell Tag tells at Send.</p>
${fault === null ? '' : `<p class="off" role="alert">${escapeHtml(fault)}</p>`}
<form method="post" action="/till/${idInAddress(state.id)}/control"><label>Clock at the store<input name="clock" placeholder="2027-03-01T08:59"></label><label>Delay in ms<input name="delay" value="${state.delay}" inputmode="numeric"></label>
<button name="set" value="1">Set</button><button name="right" value="1">Right clock</button><button name="on" value="${state.on ? '0' : '1'}">Switch ${state.on ? 'off' : 'on'}</button></form>`,
  );
}

function rungWords(rung: Rung): string {
  if (rung.price === null)
    return `<p role="status">${escapeHtml(rung.name ?? rung.sku)}: cannot be sold here (${escapeHtml(rung.problem)}).</p>`;
  const was = rung.price === rung.regular ? '' : `<del>${escapeHtml(rung.regular)}</del> `;
  return `<section role="status"><p>${escapeHtml(rung.name)}, ${momentWords(rung.at.slice(0, 16), HOUSE_WRITING)}</p><p class="figure">${was}<span class="${rung.promotion ? 'tag' : ''}">${escapeHtml(rung.price)}</span></p><p>${rung.promotion ? `by “${escapeHtml(rung.promotionName)}”` : 'at its base price'}</p></section>`;
}
