<script setup lang="ts">
import type { LengthUnit } from "@/api";
import { useSession } from "@/features/session";
import CheckField from "@/shared/CheckField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import StrandMark from "@/shared/StrandMark.vue";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import { useRouter } from "vue-router";
import { useTheme } from "./theme";

defineEmits<{ help: [] }>();
const session = useSession();
const router = useRouter();
const { unit } = useUnit();
const dark = useTheme();
const open = ref(false);
const failed = ref(false);

const chosen = computed({
  get: () => unit.value,
  set: async (value: LengthUnit) => {
    failed.value = false;
    await session.setUnit(value).catch(() => (failed.value = true));
  },
});
const units = computed(() => (["cm", "inch"] as const).map((value) => ({ value, label: t(`unit-${value}`) })));

async function leave(everywhere: boolean) {
  failed.value = false;
  try {
    await session.signOut(everywhere);
    open.value = false;
    await router.push({ name: "sign-in" });
  } catch {
    failed.value = true;
  }
}
</script>

<template>
  <header class="bar no-print">
    <RouterLink :to="{ name: 'people' }" class="brand" :aria-label="t('app-home')"><StrandMark />Spirel</RouterLink>
    <nav :aria-label="t('app-sections')">
      <RouterLink :to="{ name: 'people' }">{{ t("people-title") }}</RouterLink>
      <RouterLink :to="{ name: 'house' }">{{ t("house-title") }}</RouterLink>
    </nav>
    <span class="right">
      <ChoiceRow v-model="chosen" class="units" :label="t('unit-label')" hide-label :choices="units" />
      <ElButton text @click="$emit('help')">{{ t("help-open") }}</ElButton>
      <ElButton text :aria-expanded="open" aria-haspopup="dialog" @click="open = true">
        {{ session.person?.name }}
      </ElButton>
    </span>
    <ElDialog v-model="open" :title="session.person?.name ?? ''" width="420px" append-to="#layers">
      <div class="stack">
        <p>{{ t(`role-${session.person?.role}`) }}, {{ session.person?.house }}</p>
        <CheckField v-model="dark" :label="t('app-dark')" />
        <p v-if="failed" class="caution" role="alert">{{ t("app-unreachable") }}</p>
        <div class="row">
          <ElButton type="primary" @click="leave(false)">{{ t("session-signOut") }}</ElButton>
          <ElButton @click="leave(true)">{{ t("session-signOutEverywhere") }}</ElButton>
        </div>
      </div>
    </ElDialog>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 6px 24px;
  min-height: 60px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  flex-wrap: wrap;
}

.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  font: 750 1.35rem/1 var(--display);
  letter-spacing: -0.02em;
  text-decoration: none;
  min-height: 44px;
}

nav {
  display: flex;
  gap: 4px;
}

nav a {
  padding: 10px 14px;
  text-decoration: none;
  border-bottom: 3px solid transparent;
}

nav a.router-link-active {
  font-weight: 650;
  border-bottom-color: var(--ink);
}

.right {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
}

@media (max-width: 600px) {
  .bar {
    gap: 0 8px;
    padding: 4px 12px;
  }

  .right {
    gap: 0;
  }

  .right :deep(.el-button) {
    padding: 8px;
  }
}
</style>
