/** What is used of the Khronos validator, which ships no types. */
declare module "gltf-validator" {
  export function validateBytes(bytes: Uint8Array): Promise<{
    issues: { messages: { code: string; message: string; severity: number; pointer: string }[] };
    info: { totalTriangleCount: number };
  }>;
}
