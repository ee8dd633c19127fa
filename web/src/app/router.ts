import { Unreachable } from "@/api";
import { useSession } from "@/features/session";
import { createRouter, createWebHistory } from "vue-router";

declare module "vue-router" {
  interface RouteMeta {
    /** Shown to people who aren't signed in. */
    open?: boolean;
    /** Key of the page's name in the locale. */
    title: string;
    /** Paper: no bars around it. */
    bare?: boolean;
  }
}

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    {
      path: "/sign-in",
      name: "sign-in",
      component: () => import("@/features/session/SignInView.vue"),
      meta: { open: true, bare: true, title: "signIn-title" },
    },
    { path: "/", redirect: { name: "people" } },
    {
      path: "/people",
      name: "people",
      component: () => import("@/features/people/PeopleView.vue"),
      meta: { title: "people-title" },
    },
    {
      path: "/people/:client",
      name: "client",
      props: true,
      component: () => import("@/features/people/ClientView.vue"),
      meta: { title: "client-title" },
    },
    {
      path: "/visits/:visit",
      props: true,
      component: () => import("@/features/visit/VisitFrame.vue"),
      children: [
        { path: "", name: "visit", redirect: { name: "talk" } },
        {
          path: "talk",
          name: "talk",
          component: () => import("@/features/talk/TalkView.vue"),
          meta: { title: "stage-talk" },
        },
        {
          path: "read",
          name: "read",
          component: () => import("@/features/read/ReadView.vue"),
          meta: { title: "stage-read" },
        },
        {
          path: "aim",
          name: "aim",
          component: () => import("@/features/aim/AimView.vue"),
          meta: { title: "stage-aim" },
        },
        {
          path: "plan",
          name: "plan",
          component: () => import("@/features/plan/PlanView.vue"),
          meta: { title: "stage-plan" },
        },
        {
          path: "plan/print",
          name: "client-page",
          component: () => import("@/features/plan/ClientPage.vue"),
          meta: { bare: true, title: "plan-clientPage" },
        },
        {
          path: "mark/:zone?",
          name: "mark",
          component: () => import("@/features/mark/MarkView.vue"),
          meta: { title: "stage-mark" },
        },
        {
          path: "print",
          name: "print",
          component: () => import("@/features/mark/PrintView.vue"),
          meta: { bare: true, title: "print-title" },
        },
      ],
    },
    {
      path: "/house",
      name: "house",
      component: () => import("@/features/house/HouseView.vue"),
      meta: { title: "house-title" },
    },
    {
      path: "/:rest(.*)*",
      name: "nowhere",
      component: () => import("./NowhereView.vue"),
      meta: { title: "nowhere-title" },
    },
  ],
});

router.beforeEach(async (to) => {
  if (to.meta.open) return true;
  try {
    await useSession().find();
    return true;
  } catch (error) {
    // A server that is away doesn't mean that nobody is signed in: the page says so itself.
    if (error instanceof Unreachable) return { name: "sign-in", query: { next: to.fullPath, away: "1" } };
    return { name: "sign-in", query: to.fullPath === "/people" ? {} : { next: to.fullPath } };
  }
});
