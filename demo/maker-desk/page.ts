import { sayMessage } from '@neat-measure/core/stock';
import { FATE_WORDS, FATES, messagesOf, parcelsOf, type DeskOrder } from './script';

/** What of a desk its page shows. */
interface DeskView {
  readonly today: string;
  readonly orders: readonly DeskOrder[];
}

/** The desk's page: orders as they arrived, what was answered, and the parcels that left. */
export function pageOf(desk: DeskView): string {
  const orders = [...desk.orders].reverse();
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>The maker’s desk</title>
<style>
body{margin:0 auto;max-width:980px;padding:20px 24px;font:15px/1.45 Georgia,serif;background:#efe9dc;color:#2b2620}
h1{font-size:24px;margin:0}h2{font-size:18px;margin:0 0 6px}
.top{display:flex;justify-content:space-between;align-items:center;gap:20px}
section{background:#fffdf7;border:1px solid #c9bda5;padding:14px 18px;margin:16px 0}
table{border-collapse:collapse;width:100%}th,td{text-align:left;padding:4px 10px 4px 0;border-bottom:1px solid #e4dbc8;vertical-align:top}
button,select{font:inherit;padding:3px 10px}
code{font:14px ui-monospace,monospace;background:#efe9dc;padding:1px 5px}
ul{margin:6px 0 0;padding-left:20px}.soft{color:#6b6152}
</style>
</head>
<body>
<div class="top">
<div><h1>The maker’s desk</h1>
<p class="soft">It plays every maker of the demo by a script. Today is ${desk.today}.</p></div>
<form method="post" action="/next-day"><button>The next day</button></form>
</div>
${orders.length === 0 ? '<section><p>No order has been received yet.</p></section>' : orders.map((order) => sectionOf(desk, order)).join('\n')}
</body>
</html>
`;
}

function sectionOf(desk: DeskView, order: DeskOrder): string {
  const { sheet, on, fates } = order;
  const nameOf = (line: number) => {
    const found = sheet.lines.find((one) => one.line === line);
    return found === undefined ? `line ${line}` : `${found.garment} ${found.label}`;
  };
  const rows = sheet.lines.map(
    ({
      line,
      garment,
      label,
      count,
      code,
    }) => `<tr><td>${count}</td><td>${escaped(garment)}</td><td>${escaped(label)}</td>
<td><code>${escaped(code)}</code></td><td>${fateField(desk, order, line, fates[String(line)] ?? 'prompt')}</td></tr>`,
  );
  const said = messagesOf(order, desk.today).map(
    (one) => `<li>${one.on}: ${escaped(sayMessage(one, nameOf))}</li>`,
  );
  const parcels = parcelsOf(order, desk.today).map(
    ({ parcel, on: left, holds }) =>
      `<li>Parcel <b>${escaped(parcel)}</b>, ${left}, holds ${holds
        .map(
          ({ count, garment, label, serials }) =>
            `${count} × ${escaped(garment)} <b>${escaped(label)}</b>${serials.length === 0 ? '' : ` (${serials.map(escaped).join(', ')})`}`,
        )
        .join('; ')}</li>`,
  );
  return `<section>
<h2>Order ${sheet.number}, ${escaped(sheet.maker)}</h2>
<p class="soft">From ${escaped(sheet.house)}, received ${on}</p>
<table><thead><tr><th>How many</th><th>Garment</th><th>Size</th><th>Code</th><th>Outcome</th></tr></thead>
<tbody>${rows.join('')}</tbody></table>
<ul>${said.join('')}</ul>
${parcels.length === 0 ? '' : `<p><b>Parcels</b></p><ul>${parcels.join('')}</ul>`}
</section>`;
}

function fateField(desk: DeskView, order: DeskOrder, line: number, fate: keyof typeof FATE_WORDS): string {
  if (order.on !== desk.today) return FATE_WORDS[fate];
  const options = FATES.map(
    (one) => `<option value="${one}"${one === fate ? ' selected' : ''}>${FATE_WORDS[one]}</option>`,
  );
  return `<form method="post" action="/fates"><input type="hidden" name="order" value="${order.sheet.order}"><input type="hidden" name="line" value="${line}">
<select name="fate" aria-label="Outcome of line ${line} of order ${order.sheet.number}">${options.join('')}</select> <button>Save</button></form>`;
}

function escaped(text: string): string {
  const signs: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
  return text.replace(/[&<>"]/g, (sign) => signs[sign]!);
}
