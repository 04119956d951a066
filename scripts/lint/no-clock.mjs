// The one rule of ours that lint's own do not have: the core is handed the time, it does not look at a clock.

const noNewDate = {
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.name === 'Date' && node.arguments.length === 0)
        context.report({ node, message: 'The core has no clock; take the time as an argument.' });
    },
  }),
};

export default { meta: { name: 'jeitinho' }, rules: { 'no-new-date': noNewDate } };
