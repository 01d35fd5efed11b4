import { Button } from "@mui/material";
import { useRef } from "react";

interface Props {
  label: string;
  testId: string;
  onFile: (file: File) => void;
}

/** FileButton asks for a JSON file; the same one can be chosen again. */
export function FileButton({ label, testId, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        data-testid={testId}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = "";
        }}
      />
    </>
  );
}
