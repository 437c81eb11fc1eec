// The files of tests that a mutant is asked of, in their order.
for (const file of process.env.TESTS.split(",")) require(`../${file}`);
