export function compileKernel(): Promise<Buffer>;
