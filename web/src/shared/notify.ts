import { ElMessage } from "element-plus";
import "element-plus/theme-chalk/el-message.css";

/** How long it stays, ms: time for two lines at arm's length. */
const STAYS_MS = 6000;

/** Says what was done, where it isn't seen at once by itself. */
export const notify = (message: string) =>
  ElMessage({ message, type: "success", duration: STAYS_MS, grouping: true, showClose: true, appendTo: "#layers" });
