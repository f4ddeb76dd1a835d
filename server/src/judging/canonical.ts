/** The same JSON for the same content, whatever the order of its fields; what is undefined is left out, as JSON does. */
export function canonical(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) {
    let text = '[';
    for (let i = 0; i < value.length; i++) text += (i > 0 ? ',' : '') + canonical(value[i]);
    return `${text}]`;
  }
  const fields = value as Readonly<Record<string, unknown>>;
  let text = '{';
  for (const name of Object.keys(fields).sort()) {
    const entry = fields[name];
    if (entry !== undefined) text += `${text === '{' ? '' : ','}${JSON.stringify(name)}:${canonical(entry)}`;
  }
  return `${text}}`;
}
