import type { WorkshopRecord } from "@/core/model";
import { mergeRecords } from "./merge";
import type { Change, Outcome } from "./storage";
import { troubleOf, type TroubleKind } from "./trouble";

type Write = (changes: readonly Change[]) => Promise<Outcome[]>;
type Held = WorkshopRecord | null;

interface Listener {
  /** @param unsaved ids of what is not stored yet @param trouble why, where it was tried and did not succeed */
  onState(unsaved: string[], trouble: TroubleKind | null): void;
  /** Acknowledged by the store, all of one transaction at once. */
  onWritten(written: Acknowledged[]): void;
  /** @param newer a newer application has stored it: nobody is to be asked */
  onConflict(id: string, theirs: Held, newer: boolean): void;
}

export interface Acknowledged {
  id: string;
  /** What is to stand on screen where another tab's change came in; undefined where nothing has changed but the revision. */
  now?: WorkshopRecord;
}

const RETRY = 2000;

/**
 * Brings records to the store, all that wait in one transaction, the latest version of each only. A write counts once
 * the store has acknowledged it; a record that another tab has changed in the same place stops and asks; what fails is
 * tried again.
 */
export class Writer {
  /** What the store was last known to hold. */
  private readonly known = new Map<string, Held>();
  private readonly waiting = new Map<string, Held>();
  private readonly forced = new Set<string>();
  private readonly stopped = new Set<string>();
  private busy = new Set<string>();
  private trouble: TroubleKind | null = null;
  private listening: (() => void)[] = [];

  constructor(
    private readonly write: Write,
    private readonly listener: Listener,
  ) {}

  /** The store holds this. */
  know(id: string, record: Held): void {
    this.known.set(id, record);
  }

  /** Undefined where it holds none that is known of. */
  revisionOf(id: string): number | undefined {
    return this.known.get(id)?.revision;
  }

  busyWith(id: string): boolean {
    return this.busy.has(id) || this.waiting.has(id) || this.stopped.has(id);
  }

  /** Resolves once none of these is on its way any more: stored, or stopped and asked about. */
  async settled(ids: readonly string[]): Promise<void> {
    while (ids.some((id) => this.busy.has(id) || (this.waiting.has(id) && !this.stopped.has(id))))
      await new Promise<void>((resolve) => this.listening.push(resolve));
  }

  put(changes: Iterable<readonly [string, Held]>): void {
    for (const [id, record] of changes) this.waiting.set(id, record);
    void this.pump();
  }

  /** Overwrites whatever is stored, all in one transaction. */
  force(changes: readonly (readonly [string, Held])[]): void {
    for (const [id] of changes) {
      this.stopped.delete(id);
      this.forced.add(id);
    }
    this.put(changes);
  }

  /** Gives up what waits for a record. */
  drop(id: string): void {
    this.stopped.delete(id);
    this.waiting.delete(id);
    this.report();
  }

  private report(): void {
    const unsaved = new Set([...this.busy, ...[...this.waiting.keys()].filter((id) => !this.stopped.has(id))]);
    if (unsaved.size === 0) this.trouble = null;
    this.listener.onState([...unsaved], this.trouble);
    for (const done of this.listening.splice(0)) done();
  }

  /** What can go to the store now. */
  private load(): Change[] {
    return [...this.waiting]
      .filter(([id]) => !this.stopped.has(id))
      .map(([id, record]) => ({ id, record, base: this.known.get(id) ?? null, force: this.forced.has(id) }));
  }

  private async pump(): Promise<void> {
    this.report();
    if (this.busy.size) return;
    for (let load = this.load(); load.length; load = this.load()) {
      for (const { id } of load) {
        this.waiting.delete(id);
        this.forced.delete(id);
      }
      this.busy = new Set(load.map((c) => c.id));
      this.report();
      try {
        const outcomes = await this.write(load);
        this.busy = new Set();
        this.trouble = null;
        this.took(load, outcomes);
      } catch (error) {
        this.busy = new Set();
        for (const { id, record, force } of load) {
          if (!this.waiting.has(id)) this.waiting.set(id, record);
          if (force) this.forced.add(id);
        }
        this.trouble = troubleOf(error).kind;
        this.report();
        setTimeout(() => void this.pump(), RETRY);
        return;
      }
    }
    this.report();
  }

  private took(load: readonly Change[], outcomes: readonly Outcome[]): void {
    const written: Acknowledged[] = [];
    outcomes.forEach((outcome, i) => {
      const { id, record: sent } = load[i]!;
      if (!outcome.ok) return this.stop(id, sent, outcome.theirs, outcome.newer);
      this.known.set(id, outcome.record);
      if (!outcome.merged || !outcome.record || !sent) return written.push({ id });
      // The hand may have moved on meanwhile, not knowing what came in.
      const later = this.waiting.get(id);
      if (later === undefined) return written.push({ id, now: outcome.record });
      const now = later && mergeRecords(sent, later, outcome.record);
      if (!now) return this.stop(id, later, outcome.record);
      this.waiting.set(id, now);
      return written.push({ id, now });
    });
    if (written.length) this.listener.onWritten(written);
  }

  private stop(id: string, mine: Held, theirs: Held, newer = false): void {
    this.stopped.add(id);
    if (!this.waiting.has(id)) this.waiting.set(id, mine);
    this.listener.onConflict(id, theirs, newer);
  }
}
