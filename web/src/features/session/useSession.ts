import { body, client, type Act, type LengthUnit, type Person } from "@/api";
import { useUnitStore } from "@/shared/unit";
import { useQueryClient } from "@tanstack/vue-query";
import { defineStore } from "pinia";
import { computed, ref } from "vue";

/** Who is signed in on this device. */
export const useSession = defineStore("session", () => {
  const person = ref<Person>();
  const units = useUnitStore();
  const cache = useQueryClient();

  const may = (act: Act) => person.value?.rights.includes(act) ?? false;

  function enter(who: Person) {
    person.value = who;
    units.unit = who.length_unit;
  }

  function leave() {
    person.value = undefined;
    cache.clear();
  }

  return {
    person,
    mayEdit: computed(() => may("edit_visits")),
    mayReadAudit: computed(() => may("read_audit")),
    maySetHouse: computed(() => may("set_house")),
    leave,
    async find() {
      if (!person.value) enter(await body(client.GET("/api/session")));
    },
    async signIn(email: string, password: string) {
      cache.clear();
      enter(await body(client.POST("/api/session", { body: { email, password } })));
    },
    async signOut(everywhere: boolean) {
      await body(everywhere ? client.DELETE("/api/sessions") : client.DELETE("/api/session"));
      leave();
    },
    async setUnit(unit: LengthUnit) {
      await body(client.PUT("/api/me/length-unit", { body: { length_unit: unit } }));
      units.unit = unit;
      if (person.value) person.value.length_unit = unit;
    },
  };
});
