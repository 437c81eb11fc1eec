import type { WorkshopRecord } from "@/core/model";
import type { Written } from "./storage";

type Write = (id: string, record: WorkshopRecord | null, expected: number | null) => Promise<Written>;

interface Listener {
  onState(state: "saved" | "saving" | "failed"): void;
  onWritten(id: string): void;
  onConflict(id: string, theirs: WorkshopRecord | null): void;
}

const RETRY = 2000;

/**
 * Brings records to the store in order, one write a record at a time, the latest version only. A write counts once the
 * store has acknowledged it; one that meets another tab's revision stops and asks; one that fails is tried again.
 */
export class Writer {
  private readonly revisions = new Map<string, number>();
  private readonly waiting = new Map<string, WorkshopRecord | null>();
  private readonly busy = new Set<string>();
  private readonly stopped = new Set<string>();

  constructor(
    private readonly write: Write,
    private readonly listener: Listener,
  ) {}

  /** The revision that the store is known to hold. */
  know(id: string, revision: number): void {
    this.revisions.set(id, revision);
  }

  /** Undefined where it holds none that is known of. */
  revisionOf(id: string): number | undefined {
    return this.revisions.get(id);
  }

  busyWith(id: string): boolean {
    return this.busy.has(id) || this.waiting.has(id) || this.stopped.has(id);
  }

  put(id: string, record: WorkshopRecord | null): void {
    this.waiting.set(id, record);
    void this.pump(id);
  }

  /** Overwrites whatever is stored. */
  force(id: string, record: WorkshopRecord | null): void {
    this.stopped.delete(id);
    this.revisions.delete(id);
    this.waiting.set(id, record);
    void this.pump(id, true);
  }

  /** Gives up what waits for a record. */
  drop(id: string): void {
    this.stopped.delete(id);
    this.waiting.delete(id);
    this.report();
  }

  private report(): void {
    this.listener.onState(this.busy.size || this.waiting.size ? "saving" : "saved");
  }

  private async pump(id: string, force = false): Promise<void> {
    if (this.busy.has(id) || this.stopped.has(id)) return;
    this.busy.add(id);
    this.report();
    while (this.waiting.has(id)) {
      const record = this.waiting.get(id) ?? null;
      this.waiting.delete(id);
      const expected = force ? null : (this.revisions.get(id) ?? 0);
      force = false;
      try {
        const written = await this.write(id, record, expected);
        if (!written.ok) {
          this.stopped.add(id);
          this.listener.onConflict(id, written.theirs);
          break;
        }
        this.revisions.set(id, written.revision);
        this.listener.onWritten(id);
      } catch {
        if (!this.waiting.has(id)) this.waiting.set(id, record);
        this.busy.delete(id);
        this.listener.onState("failed");
        setTimeout(() => void this.pump(id), RETRY);
        return;
      }
    }
    this.busy.delete(id);
    this.report();
  }
}
