export function compileKernel(): Promise<Buffer>;
export function compileProducts(): Promise<Buffer>;
