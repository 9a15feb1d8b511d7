/** So many wrong passcodes from one address go without a wait. */
const FREE = 4;
const LONGEST_S = 300;
/** After so long without another attempt an address begins anew, ms. */
const FORGOTTEN_MS = 3_600_000;
/** So many addresses are remembered; then the oldest go. */
const MOST = 5000;

interface Attempts {
  wrong: number;
  /** When the next attempt is looked at, ms. */
  notBefore: number;
}

/** Wrong passcodes by address, each making the next wait longer: 1 s, 2 s, 4 s ... up to five minutes. */
export class SlowedAttempts {
  private byAddress = new Map<string, Attempts>();

  constructor(private readonly now: () => number = Date.now) {}

  /** Seconds until an attempt from here is looked at; 0 when it is now. */
  waitS(address: string): number {
    const at = this.byAddress.get(address);
    return at ? Math.max(0, Math.ceil((at.notBefore - this.now()) / 1000)) : 0;
  }

  wrong(address: string): void {
    const before = this.byAddress.get(address);
    const lately = before && this.now() - before.notBefore < FORGOTTEN_MS ? before.wrong : 0;
    const wrong = lately + 1;
    const waitS = wrong <= FREE ? 0 : Math.min(LONGEST_S, 2 ** (wrong - FREE - 1));
    this.byAddress.delete(address);
    const [oldest] = this.byAddress.size >= MOST ? this.byAddress.keys() : [];
    if (oldest !== undefined) this.byAddress.delete(oldest);
    this.byAddress.set(address, { wrong, notBefore: this.now() + 1000 * waitS });
  }

  right(address: string): void {
    this.byAddress.delete(address);
  }
}
