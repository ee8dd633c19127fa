export { useSession } from "./useSession";
