/** The line to the instruments beside this screen: what there is, what is paired, what they say. It comes back by itself. */
import { body, client, type Device, type FromApp, type ToApp } from "@/api";
import { useLocalStorage, useWebSocket } from "@vueuse/core";
import { computed, onScopeDispose, ref } from "vue";

export type ValueMessage = Extract<ToApp, { type: "value" }>;
export type PictureMessage = Extract<ToApp, { type: "picture" }>;

const VERSION = 1;
/** How long a lost line is left before it is tried again, ms. */
const RETRY_MS = 1000;

export interface Heard {
  value: (message: ValueMessage) => void;
  picture: (message: PictureMessage) => void;
  back: () => void;
}

export function useInstruments(heard: Heard) {
  const address = ref<string>();
  const joined = ref(false);
  const standIn = ref(false);
  const devices = ref<Device[]>([]);
  const said = ref<string>();
  /** Which instruments this device listens to, also after a reload or a lost line. */
  const wished = useLocalStorage<string[]>("spirel.instruments", []);
  /** Those that give their values to this page, and those it has asked to. */
  const own = ref<string[]>([]);
  const asked = new Set<string>();

  const line = useWebSocket(address, {
    immediate: false,
    autoReconnect: { retries: -1, delay: RETRY_MS },
    onConnected: () => send({ type: "hello", version: VERSION }),
    onDisconnected: () => (joined.value = false),
    onMessage: (_, event: MessageEvent<string>) => hear(JSON.parse(event.data) as ToApp),
  });

  function send(message: FromApp) {
    said.value = undefined;
    line.send(JSON.stringify(message), false);
  }

  function hear(message: ToApp) {
    switch (message.type) {
      case "hello":
        [joined.value, standIn.value, devices.value, own.value] = [true, message.stand_in, message.devices, []];
        asked.clear();
        message.devices.forEach(pairIfFree);
        break;
      case "device":
        devices.value = devices.value.map((device) => (device.id === message.device.id ? message.device : device));
        if (!message.device.paired) letGo(message.device.id);
        else if (asked.delete(message.device.id)) own.value = [...own.value, message.device.id];
        pairIfFree(message.device);
        break;
      case "value":
        heard.value(message);
        break;
      case "picture":
        heard.picture(message);
        break;
      case "back":
        heard.back();
        break;
      case "refused":
        said.value = message.said;
        // Two pages asked at once, and the other was heard first.
        if (message.not_paired) letGo(message.not_paired);
    }
  }

  /** An instrument gives its values to one page: what another has is asked for once that lets it go. */
  function pairIfFree({ id, paired }: Device) {
    if (!paired && wished.value.includes(id)) pair(id);
  }

  function letGo(id: string) {
    asked.delete(id);
    own.value = own.value.filter((known) => known !== id);
  }

  function pair(id: string) {
    asked.add(id);
    send({ type: "pair", device: id });
  }

  async function begin() {
    const found = await body(client.GET("/api/instruments")).catch(() => undefined);
    // An address opens the line.
    address.value = found?.address ?? undefined;
  }
  void begin();
  onScopeDispose(() => line.close());

  function listen(id: string, yes: boolean) {
    wished.value = yes ? [...new Set([...wished.value, id])] : wished.value.filter((paired) => paired !== id);
    const taken = devices.value.some((device) => device.id === id && device.paired);
    if (!yes) send({ type: "unpair", device: id });
    else if (!taken) pair(id);
  }

  return {
    /** Whether there is anything to listen to at all. */
    known: computed(() => address.value !== undefined),
    joined,
    standIn,
    devices,
    /** Those this page listens to, and those it would but for another page or screen that does. */
    mine: computed(() => devices.value.filter(({ id }) => own.value.includes(id))),
    elsewhere: computed(() =>
      devices.value.filter(({ id, paired }) => paired && wished.value.includes(id) && !own.value.includes(id)),
    ),
    said,
    listen,
    send,
  };
}

export type Instruments = ReturnType<typeof useInstruments>;
