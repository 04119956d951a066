/** What the dairy's chiller prints: three circuits one after another, the newest on top. */
export const CHILLER_HISTORY = `PC36 HISTORY                       28.11.2026 07:10
== CIRCUIT 1 ==
date      time      code  speed Hz  amps  suction kPa  water
12.11.26  14:02:10  A30   31        6.1   402          2.1
== CIRCUIT 2 ==
date      time      code  speed Hz  amps  suction kPa  water
28.11.26  05:44:31  A14   0         0.1   848          0.0
28.11.26  05:41:02  A12   52        0.2   842          0.1
27.11.26  22:17:40  A12   49        0.2   836          0.2
03.09.26  11:30:00  A30   33        7.0   410          1.9
== CIRCUIT 3 ==
date      time      code  speed Hz  amps  suction kPa  water
28.11.26  05:52:09  A30   58        9.8   395          3.9
`;
