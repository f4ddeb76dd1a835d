interface TrustedTypePolicyFactory {
  createPolicy(name: string, rules: { createScriptURL: (url: string) => string }): unknown;
}

/** Scripts and workers may only come from this origin: the default policy that the content policy asks for. */
export function installTrustedTypes(): void {
  const { trustedTypes } = globalThis as { trustedTypes?: TrustedTypePolicyFactory };
  trustedTypes?.createPolicy('default', {
    createScriptURL: (url) => {
      if (new URL(url, location.href).origin !== location.origin)
        throw new TypeError(`script from another origin: ${url}`);
      return url;
    },
  });
}
