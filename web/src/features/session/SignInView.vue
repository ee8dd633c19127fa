<script setup lang="ts">
import { Refused } from "@/api";
import TextField from "@/shared/TextField.vue";
import StrandMark from "@/shared/StrandMark.vue";
import { computed, reactive, ref } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "./useSession";
import { fan } from "./strandFan";

const route = useRoute();
const router = useRouter();
const session = useSession();
const { tell, tellFailure } = useUnit();
const form = reactive({ email: "", password: "" });
const busy = ref(false);
const failure = ref<unknown>(route.query.away ? new Error() : undefined);

const refused = computed(() => (failure.value instanceof Refused ? failure.value : undefined));
const message = computed(() => {
  if (!failure.value) return undefined;
  return refused.value?.problem.code === "fields" ? undefined : tellFailure(failure.value);
});
const fault = (field: string) => {
  const said = refused.value?.at(field);
  return said ? t("field-fault", { said: tell(said) }) : undefined;
};

/** Where the person wanted to go: only addresses of this application. */
function next(): string {
  const wanted = route.query.next;
  return typeof wanted === "string" && /^\/(?![/\\])/.test(wanted) ? wanted : "/people";
}

async function enter() {
  busy.value = true;
  failure.value = undefined;
  try {
    await session.signIn(form.email, form.password);
    await router.push(next());
  } catch (error) {
    failure.value = error;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="sign-in">
    <svg class="strands" viewBox="0 0 640 800" preserveAspectRatio="xMidYMin slice" aria-hidden="true">
      <path v-for="(path, i) in fan" :key="i" :d="path" />
    </svg>
    <form class="stack" novalidate @submit.prevent="enter">
      <p class="brand"><StrandMark /> Spirel</p>
      <h1>{{ t("signIn-promise") }}</h1>
      <TextField
        v-model="form.email"
        type="email"
        name="email"
        autocomplete="username"
        :label="t('signIn-email')"
        :fault="fault('email')"
      />
      <TextField
        v-model="form.password"
        type="password"
        name="password"
        autocomplete="current-password"
        :label="t('signIn-password')"
        :fault="fault('password')"
      />
      <p v-if="message" class="caution" role="alert">{{ message }}</p>
      <ElButton type="primary" native-type="submit" :loading="busy">{{ t("signIn-enter") }}</ElButton>
    </form>
  </div>
</template>

<style scoped>
.sign-in {
  display: grid;
  grid-template-columns: 1fr minmax(380px, 1fr);
  min-height: 100vh;
}

.strands {
  width: 100%;
  height: 100vh;
  background: var(--sunk);
}

.strands path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linecap: round;
}

form {
  align-content: center;
  padding: 40px clamp(24px, 6vw, 96px);
  max-width: 620px;
}

h1 {
  font-size: clamp(2rem, 3.4vw, 3rem);
  margin-bottom: 16px;
}

.brand {
  display: flex;
  gap: 10px;
  align-items: center;
  font: 750 1.5rem/1 var(--display);
}

@media (max-width: 760px) {
  .sign-in {
    grid-template-columns: 1fr;
  }

  .strands {
    height: 180px;
  }
}
</style>
