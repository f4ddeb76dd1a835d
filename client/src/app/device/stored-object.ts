/** What this device stored under a key, where it is an object; anything else somebody wrote there is passed over. */
export function storedObject(storage: Storage, key: string): object | null {
  try {
    const found: unknown = JSON.parse(storage.getItem(key) ?? 'null');
    return typeof found === 'object' ? found : null;
  } catch {
    return null;
  }
}
