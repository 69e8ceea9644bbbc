import fs from "node:fs";
import { syncBuiltinESMExports } from "node:module";
import { dirname, join, relative } from "node:path";

/** A file's content as it is surely on the disk, and which of its pages have been written since. */
interface DiskFile {
  durable: Buffer;
  path: string | null;
  readonly dirty: Set<number>;
  resized: boolean;
}

type NameStep =
  | { readonly what: "make"; readonly path: string; readonly file: DiskFile }
  | { readonly what: "move"; readonly from: string; readonly to: string }
  | { readonly what: "drop"; readonly path: string };

/** A disk's own page: what a power cut leaves whole, old or new. */
const PAGE_BYTES = 4096;

/**
 * A disk whose power can be cut. While it is watched, everything that Node's synchronous calls write under `root` is
 * noted; `cut` lays out what a disk might hold afterwards: of each file what was synced, and of the pages written since
 * each old or new, as a coin falls. Names (new, moved, removed files) come onto the disk in their order, at least as
 * far as when something was last synced, as file systems with a journal of names keep them (ext4: data=ordered).
 */
export class PowerCutDisk {
  private readonly files = new Map<string, DiskFile>();
  private readonly start = new Map<string, DiskFile>();
  private readonly names: NameStep[] = [];
  private settled = 0;
  private whole = false;
  private readonly handles = new Map<number, DiskFile>();
  private readonly original = { ...fs };
  private readonly replaced: (keyof typeof fs)[] = [];
  /** Calls that wrote something so far. */
  writes = 0;
  syncs = 0;
  /** Called before each write: here power may be cut. */
  beforeWrite: () => void = () => {};

  constructor(private readonly root: string) {
    const walk = (folder: string): void => {
      for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
        const path = join(folder, entry.name);
        if (entry.isDirectory()) walk(path);
        else this.start.set(path, { durable: fs.readFileSync(path), path, dirty: new Set(), resized: false });
      }
    };
    walk(root);
    for (const [path, file] of this.start) this.files.set(path, file);
    this.watch();
  }

  private readonly mine = (path: unknown): path is string =>
    typeof path === "string" && !relative(this.root, path).startsWith("..");

  private note(file: DiskFile, from: number, bytes: number): void {
    for (let page = Math.floor(from / PAGE_BYTES); page * PAGE_BYTES < from + bytes; page++) file.dirty.add(page);
  }

  private make(path: string): DiskFile {
    const file: DiskFile = { durable: Buffer.alloc(0), path, dirty: new Set(), resized: false };
    this.files.set(path, file);
    this.names.push({ what: "make", path, file });
    return file;
  }

  private drop(path: string): void {
    const file = this.files.get(path);
    if (file) file.path = null;
    this.files.delete(path);
    this.names.push({ what: "drop", path });
  }

  /** Does what Node does with calls of its own, which are not looked at. */
  private within<T>(work: () => T): T {
    this.whole = true;
    try {
      return work();
    } finally {
      this.whole = false;
    }
  }

  private contentOf({ path, durable }: DiskFile): Buffer {
    return path ? this.within(() => this.original.readFileSync(path)) : durable;
  }

  private sync(handle: number): void {
    this.syncs++;
    this.settled = this.names.length;
    const file = this.handles.get(handle);
    if (!file) return;
    file.durable = Buffer.from(this.contentOf(file));
    file.dirty.clear();
    file.resized = false;
  }

  private watch(): void {
    const real = this.original;
    const changed = (): void => {
      this.beforeWrite();
      this.writes++;
    };
    const put = (name: keyof typeof fs, work: unknown): void => {
      this.replaced.push(name);
      Object.assign(fs, { [name]: work });
    };
    put("openSync", (path: string, flags: unknown, ...rest: []) => {
      const isNew = this.mine(path) && !real.existsSync(path);
      const handle = real.openSync(path, flags as string, ...rest);
      // Node opens a file by this very call when it reads or writes one whole.
      if (this.whole || !this.mine(path) || real.fstatSync(handle).isDirectory()) return handle;
      const file = isNew ? this.make(path) : this.files.get(path)!;
      const truncates = typeof flags === "number" && (flags & real.constants.O_TRUNC) !== 0;
      if (truncates || flags === "w") file.resized = true;
      this.handles.set(handle, file);
      return handle;
    });
    put("closeSync", (handle: number) => {
      this.handles.delete(handle);
      real.closeSync(handle);
    });
    put("writeSync", (handle: number, data: Uint8Array, offset: number, length: number, position?: number | null) => {
      const file = this.handles.get(handle);
      if (file) changed();
      const before = real.fstatSync(handle).size;
      const written = real.writeSync(handle, data, offset, length, position);
      if (file) this.note(file, position ?? before, written);
      return written;
    });
    for (const name of ["ftruncateSync", "truncateSync"] as const)
      put(name, (at: number & string, size: number) => {
        const file = typeof at === "number" ? this.handles.get(at) : this.files.get(at);
        if (file) changed();
        real[name](at, size);
        if (file) file.resized = true;
      });
    put("writeFileSync", (path: string, data: string, options: object) => {
      if (!this.mine(path)) return real.writeFileSync(path, data, options);
      changed();
      const file = this.files.get(path) ?? this.make(path);
      this.within(() => real.writeFileSync(path, data, options));
      file.resized = true;
      this.note(file, 0, real.statSync(path).size);
    });
    put("renameSync", (from: string, to: string) => {
      if (this.mine(from)) changed();
      real.renameSync(from, to);
      const file = this.files.get(from);
      if (!file) return;
      const over = this.files.get(to);
      if (over) over.path = null;
      this.files.delete(from);
      this.files.set(to, file);
      file.path = to;
      this.names.push({ what: "move", from, to });
    });
    put("unlinkSync", (path: string) => {
      if (this.mine(path)) changed();
      real.unlinkSync(path);
      if (this.mine(path)) this.drop(path);
    });
    for (const name of ["fsyncSync", "fdatasyncSync"] as const)
      put(name, (handle: number) => {
        real[name](handle);
        this.sync(handle);
      });
    syncBuiltinESMExports();
  }

  /** Lays out in `target` what might be found after a power cut at this moment. */
  cut(target: string, random: () => number): void {
    const names = new Map(this.start);
    const reached = this.settled + Math.floor(random() * (this.names.length - this.settled + 1));
    for (const step of this.names.slice(0, reached)) {
      if (step.what === "make") names.set(step.path, step.file);
      else if (step.what === "drop") names.delete(step.path);
      else {
        names.set(step.to, names.get(step.from)!);
        names.delete(step.from);
      }
    }
    this.original.cpSync(this.root, target, {
      recursive: true,
      filter: (path) => this.original.statSync(path).isDirectory(),
    });
    for (const [path, file] of names) {
      const to = join(target, relative(this.root, path));
      this.original.mkdirSync(dirname(to), { recursive: true });
      const found = this.found(file, random);
      this.within(() => this.original.writeFileSync(to, found));
    }
  }

  /** A file as it might be found: its size and each page written since the last sync old or new. */
  private found(file: DiskFile, random: () => number): Buffer {
    if (file.dirty.size === 0 && !file.resized) return file.durable;
    const now = this.contentOf(file);
    const size = random() < 0.5 ? now.length : file.durable.length;
    const found = Buffer.alloc(size);
    file.durable.copy(found);
    for (const page of file.dirty)
      if (random() < 0.5 && page * PAGE_BYTES < Math.min(now.length, size))
        now.copy(found, page * PAGE_BYTES, page * PAGE_BYTES, (page + 1) * PAGE_BYTES);
    return found;
  }

  /** Ends the watching. */
  end(): void {
    for (const name of this.replaced) Object.assign(fs, { [name]: this.original[name] });
    syncBuiltinESMExports();
  }
}
