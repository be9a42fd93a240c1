/**
 * The browser's own storage, which may be switched off, full, or written by somebody else: nothing read from it is trusted,
 * and what cannot be written is said.
 */
export const storage = {
  read(key: string): string | null {
    try {
      return localStorage.getItem(key);
    } catch {
      return null;
    }
  },
  /** Whether it was written. */
  write(key: string, value: string): boolean {
    try {
      localStorage.setItem(key, value);
      return true;
    } catch {
      return false;
    }
  },
  drop(key: string): void {
    try {
      localStorage.removeItem(key);
    } catch {
      // Then there is nothing of ours in it either.
    }
  },
  /** The keys that begin so. */
  keys(prefix: string): string[] {
    try {
      return Object.keys(localStorage).filter((k) => k.startsWith(prefix));
    } catch {
      return [];
    }
  },
};
