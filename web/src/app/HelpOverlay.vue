<script setup lang="ts">
import { t } from "@/shared/words";

const open = defineModel<boolean>({ required: true });
const KEYS = [
  "?",
  "Enter",
  "Shift+Enter",
  "Alt+↑ ↓",
  "Ctrl+Z",
  "Ctrl+Shift+Z",
  "[ ]",
  "← → ↑ ↓",
  "1 – 5",
  ", .",
  "N",
] as const;
const TERMS = ["stretched", "sprung", "shrinkage", "worn", "held", "mark", "extra", "risk", "width"] as const;
</script>

<template>
  <ElDialog v-model="open" :title="t('help-title')" width="760px" append-to="#layers">
    <div class="help">
      <section>
        <h3>{{ t("help-keys") }}</h3>
        <dl>
          <template v-for="key in KEYS" :key="key">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ t(`help-key-${KEYS.indexOf(key)}`) }}</dd>
          </template>
        </dl>
      </section>
      <section>
        <h3>{{ t("help-words") }}</h3>
        <dl>
          <template v-for="term in TERMS" :key="term">
            <dt>{{ t(`glossary-${term}-word`) }}</dt>
            <dd>{{ t(`glossary-${term}-meaning`) }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </ElDialog>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 28px;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px 16px;
  margin-top: 12px;
}

dt {
  font-weight: 650;
}

kbd {
  font: 600 0.9rem var(--text);
  border: 1px solid var(--line-strong);
  border-bottom-width: 2px;
  border-radius: 5px;
  padding: 2px 7px;
  white-space: nowrap;
}
</style>
