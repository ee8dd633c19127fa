/** For tests: sets a field of a form by its label, whichever control it is. */
import type { VueWrapper } from "@vue/test-utils";
import { ElSelect } from "element-plus";
import { vi } from "vitest";
import { nextTick } from "vue";

/** The lists of a form from which one is chosen, in their order. */
export const selectsOf = (form: VueWrapper) =>
  form.findAllComponents(ElSelect).map((select) => ({
    async choose(value: string) {
      select.vm.$emit("update:modelValue", value);
      await nextTick();
    },
  }));

export async function setField(form: VueWrapper, label: string, value: string): Promise<void> {
  const select = form.findAllComponents(ElSelect).find((candidate) => candidate.props("ariaLabel") === label);
  if (select) {
    select.vm.$emit("update:modelValue", value);
    await nextTick();
    return;
  }
  // A control takes over its label's id once it stands on the page.
  await nextTick();
  const found = form.findAll("label").find((candidate) => candidate.text() === label);
  await form.get(`#${found?.attributes("for")}`).setValue(value);
}

/** Opens every part that is closed until it is needed. */
export async function unfold(form: VueWrapper): Promise<void> {
  for (const part of form.findAll(".el-collapse-item__header")) await part.trigger("click");
}

/** What a form says is wrong: it waits a moment for the hand before it says so. */
export const saidFault = (form: VueWrapper) => vi.waitFor(() => form.get("[role=alert]").text());
