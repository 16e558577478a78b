// Small choices that this browser remembers. A browser may forbid it, or have
// no room; then they last as long as the page.

const meanwhile = new Map<string, string>();

export function remembered(key: string): string | null {
  try {
    return localStorage.getItem(key) ?? meanwhile.get(key) ?? null;
  } catch {
    return meanwhile.get(key) ?? null;
  }
}

/** rememberedKeys are the names of all that is remembered. */
export function rememberedKeys(): string[] {
  try {
    return [...new Set([...Object.keys(localStorage), ...meanwhile.keys()])];
  } catch {
    return [...meanwhile.keys()];
  }
}

export function remember(key: string, value: string): void {
  meanwhile.set(key, value);
  try {
    localStorage.setItem(key, value);
  } catch {
    // It is remembered by the page.
  }
}

export function forget(key: string): void {
  meanwhile.delete(key);
  try {
    localStorage.removeItem(key);
  } catch {
    // There is nothing to forget then.
  }
}
