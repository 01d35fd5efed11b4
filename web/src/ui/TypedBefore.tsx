/** TypedBefore says that what was typed and not saved is back, and gives it up on a click. */
export function TypedBefore({ onGiveUp }: { onGiveUp: () => void }) {
  return (
    <p role="status" className="typed-before">
      What was typed here and not saved is back.{" "}
      <button type="button" className="link" onClick={onGiveUp}>
        Show it as it is saved
      </button>
    </p>
  );
}
