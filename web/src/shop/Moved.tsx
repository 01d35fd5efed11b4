import { Length } from "../ui/UnitContext.tsx";

/** Moved is a length, and where it would move to. */
export function Moved({ beforeMm, afterMm }: { beforeMm: number; afterMm: number }) {
  return (
    <>
      <Length mm={beforeMm} />
      {afterMm !== beforeMm && (
        <b>
          {" → "}
          <Length mm={afterMm} />
        </b>
      )}
    </>
  );
}
