import "@fontsource-variable/bricolage-grotesque/index.css";
import "@fontsource-variable/figtree/index.css";
import "element-plus/theme-chalk/base.css";
import "./styles/tokens.css";
import "./styles/element.css";
import "./styles/base.css";

import { Refused, whenSignedOut } from "@/api";
import { QueryClient, VueQueryPlugin } from "@tanstack/vue-query";
import { createPinia } from "pinia";
import { createApp } from "vue";
import App from "./app/App.vue";
import { router } from "./app/router";
import { useSession } from "./features/session";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // What the server refused it will refuse again; only a server that was away is asked once more.
      retry: (tries, error) => !(error instanceof Refused) && tries < 2,
      refetchOnWindowFocus: false,
    },
  },
});

const app = createApp(App).use(createPinia()).use(VueQueryPlugin, { queryClient: queries });

whenSignedOut(() => {
  const here = router.currentRoute.value;
  const session = useSession();
  if (here.meta.open || !session.person) return;
  session.leave();
  void router.push({ name: "sign-in", query: { next: here.fullPath } });
});

app.use(router).mount("#app");
