import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["web/src/api/schema.gen.ts"] },
  ...tseslint.configs.recommended,
  { files: ["web/src/**"], ...hooks.configs.flat["recommended-latest"] },
);
