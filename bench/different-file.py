"""Writes a made-up table whose numbers are all different and have a long tail: bench/different-file.py ROWS > FILE."""
import math
import random
import sys

AT_ONCE = 200_000
rows = int(sys.argv[1])
random.seed(3)
sys.stdout.write("nectar,apiary,change,tag\n")
for begin in range(0, rows, AT_ONCE):
    sys.stdout.write("".join(
        f"{math.exp(3 + 1.2 * random.gauss(0, 1)):.8f},{'ABCDE'[i % 5]},{random.gauss(0, 1):.3f},H-{begin + i}\n" for i in range(min(AT_ONCE, rows - begin))
    ))
