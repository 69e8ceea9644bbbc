/**
 * A rule for oxlint: browser tests type as a hand does, key by key (e2e/typing.ts). `fill` sets a field in one event;
 * behind it 1,700 green tests did not see that an area could not be named.
 */
const byKeys = {
  meta: { type: "problem", docs: { description: "Browser tests type key by key." } },
  create: (context) => ({
    CallExpression(node) {
      const { callee } = node;
      if (
        callee.type === "MemberExpression" &&
        callee.property.type === "Identifier" &&
        callee.property.name === "fill"
      )
        context.report({ node: callee.property, message: "Type with `type`, `paste` or `set` of e2e/typing.ts." });
    },
  }),
};

export default { meta: { name: "typing" }, rules: { "by-keys": byKeys } };
