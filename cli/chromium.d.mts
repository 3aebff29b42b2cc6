export const chromiumOptions: { readonly executablePath: string; readonly args: string[] };
export const installChromium: () => Promise<void>;
