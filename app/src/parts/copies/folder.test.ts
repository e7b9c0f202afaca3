import { expect } from 'chai';
import { putCopy } from './folder.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const MINUTE = 60_000;

/** A folder in memory, as the File System Access API shows it; it may be full, or lose what is written. */
function folderOf(names: readonly string[] = [], faulty: 'full' | 'lossy' | null = null) {
  const files = new Map(names.map((name) => [name, new Blob(['older'])]));
  const folder = {
    keys: async function* () {
      yield* [...files.keys()];
    },
    removeEntry: async (name: string) => void files.delete(name),
    getFileHandle: async (name: string) => {
      if (!files.has(name)) files.set(name, new Blob([]));
      return {
        getFile: async () => files.get(name),
        createWritable: async () => {
          let held = new Blob([]);
          return {
            write: async (blob: Blob) => {
              if (faulty === 'full') throw new Error('The disk is full.');
              held = faulty === 'lossy' ? blob.slice(0, -1) : blob;
            },
            close: async () => void files.set(name, held),
            abort: async () => {},
          };
        },
      };
    },
  };
  return { files, folder: folder as unknown as FileSystemDirectoryHandle };
}

const named = (at: number) =>
  `rosefinch-copy-${new Date(at).toISOString().replaceAll(/[:.]/g, '-')}.json`;

describe('copies in a folder', () => {
  it('are the last ten that were written', async () => {
    const { files, folder } = folderOf();
    let written: readonly string[] = [];
    for (let i = 0; i < 13; i++)
      written = await putCopy(folder, new Blob([`${i}`]), AT + i * MINUTE, written);
    expect([...files.keys()]).to.deep.equal(written);
    expect(written).to.have.length(10);
    expect(await files.get(written.at(-1)!)!.text()).to.equal('12');
  });

  it('stay when others of the folder carry later dates', async () => {
    const later = Array.from({ length: 10 }, (_, i) => named(AT + 1e11 + i * MINUTE));
    const { files, folder } = folderOf(later);
    let written: readonly string[] = [];
    for (let i = 0; i < 3; i++) written = await putCopy(folder, new Blob(['x']), AT + i, written);
    for (let i = 0; i < 3; i++) expect(files.has(named(AT + i))).to.equal(true);
    expect(files.size).to.equal(10);
  });

  it('of the same moment do not replace each other', async () => {
    const { files, folder } = folderOf();
    const first = await putCopy(folder, new Blob(['1']), AT, []);
    await putCopy(folder, new Blob(['2']), AT, first);
    expect(files.size).to.equal(2);
  });

  for (const faulty of ['full', 'lossy'] as const)
    it(`leave nothing behind where the folder is ${faulty}`, async () => {
      const { files, folder } = folderOf([named(AT - MINUTE)], faulty);
      const error = await putCopy(folder, new Blob(['whole']), AT, []).catch((e: Error) => e);
      expect(error).to.be.instanceOf(Error);
      expect([...files.keys()]).to.deep.equal([named(AT - MINUTE)]);
    });
});
