import type { Reporter, TestCase, TestResult } from "@playwright/test/reporter";

/** CountReporter closes the run with one plain line of counts. */
export default class CountReporter implements Reporter {
  #outcomes = new Map<string, boolean>();

  onTestEnd(test: TestCase, result: TestResult) {
    if (result.status !== "skipped") this.#outcomes.set(test.id, test.outcome() !== "unexpected");
  }

  onEnd() {
    const all = [...this.#outcomes.values()];
    const passed = all.filter(Boolean).length;
    console.log(`${passed} passed, ${all.length - passed} failed`);
  }
}
