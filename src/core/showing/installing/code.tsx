import qrcode from "qrcode-generator";

/** Modules of nothing around a code, without which cameras do not find it (ISO/IEC 18004). */
const quiet = 4;

/** An address as a code that a camera reads; black on white whatever the page is. */
export function Code({ address, label }: { address: string; label: string }) {
  // As large as the address wants; a quarter of it may be hidden.
  const code = qrcode(0, "Q");
  code.addData(address, "Byte");
  code.make();
  const count = code.getModuleCount();
  const side = count + 2 * quiet;
  const rows = Array.from({ length: count }, (_, row) => rowOf(code, row, count)).join("");
  return (
    <svg class="code" viewBox={`0 0 ${side} ${side}`} role="img" aria-label={label} shape-rendering="crispEdges">
      <rect width={side} height={side} fill="#ffffff" />
      <path d={rows} fill="#000000" />
    </svg>
  );
}

/** A row's dark modules, those beside each other as one. */
function rowOf(code: QRCode, row: number, count: number): string {
  const parts: string[] = [];
  for (let from = 0; from < count; from++) {
    if (!code.isDark(row, from)) continue;
    let to = from;
    while (to < count && code.isDark(row, to)) to++;
    parts.push(`M${quiet + from} ${quiet + row}h${to - from}v1h${from - to}z`);
    from = to;
  }
  return parts.join("");
}
