export function bundledScripts(root: string): Promise<Map<string, string>>;
export function bundleServer(root: string): Promise<unknown>;
