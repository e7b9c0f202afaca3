import { Button, FileButton, Group, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { planRestore, type RestorePlan, useData } from '../../data/index.ts';

type Stage =
  | { readonly kind: 'idle' }
  | { readonly kind: 'planned'; readonly name: string; readonly plan: RestorePlan }
  | { readonly kind: 'done' }
  | { readonly kind: 'refused'; readonly name: string; readonly message: string };

/** Reads a backup, shows what it would do, and does it only then, all of it or nothing. */
export function Restore() {
  const { repository } = useData();
  const [stage, setStage] = useState<Stage>({ kind: 'idle' });
  const plan = async (file: File | null) => {
    if (!file) return;
    try {
      const checked = planRestore(await file.text(), await repository.contents());
      setStage({ kind: 'planned', name: file.name, plan: checked });
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      setStage({ kind: 'refused', name: file.name, message });
    }
  };
  const restore = async ({ contents }: RestorePlan, name: string) => {
    try {
      await repository.restore(contents);
      setStage({ kind: 'done' });
    } catch (error) {
      setStage({
        kind: 'refused',
        name,
        message: error instanceof Error ? error.message : String(error),
      });
    }
  };
  return (
    <section aria-label="Restore">
      <Title order={2} size="h3" mb="sm">
        Restore a backup
      </Title>
      <FileButton
        onChange={(file) => void plan(file)}
        accept="application/json,.json"
        inputProps={{ 'aria-label': 'Backup file' }}
      >
        {(props) => (
          <Button {...props} variant="default">
            Choose a backup …
          </Button>
        )}
      </FileButton>
      {stage.kind === 'done' && <Text role="status">Restored. Nothing was removed.</Text>}
      {stage.kind === 'refused' && (
        <div className="problem" role="alert">
          <strong>{stage.name} was not restored.</strong>
          {stage.message}. Nothing was changed.
        </div>
      )}
      {stage.kind === 'planned' && (
        <div className="card" role="status">
          <table className="ledger narrow">
            <caption>What {stage.name} will do; nothing will be removed</caption>
            <thead>
              <tr>
                <th scope="col">kind</th>
                <th scope="col">add</th>
                <th scope="col">change</th>
                <th scope="col">already the same</th>
              </tr>
            </thead>
            <tbody>
              {stage.plan.lines.map((line) => (
                <tr key={line.what}>
                  <th scope="row">{line.what}</th>
                  <td>{line.add}</td>
                  <td>{line.change}</td>
                  <td>{line.same}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Group mt="sm">
            <Button onClick={() => void restore(stage.plan, stage.name)}>Restore</Button>
            <Button variant="default" onClick={() => setStage({ kind: 'idle' })}>
              Leave it
            </Button>
          </Group>
        </div>
      )}
    </section>
  );
}
