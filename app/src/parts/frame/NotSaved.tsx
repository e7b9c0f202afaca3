/** Why a form was not stored; nothing while there is no reason. */
export function NotSaved({ reason }: { reason: string | null }) {
  if (reason === null) return null;
  return (
    <div className="problem" role="alert">
      <strong>Not saved.</strong>
      {reason}
    </div>
  );
}
