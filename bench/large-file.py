"""Writes a made-up table of 20 columns and any number of rows, about 150 bytes each: bench/large-file.py ROWS > FILE.

A block of 100,000 rows is written again and again: enough distinct values for every way in which columns are kept, and quick to make."""
import random
import sys

BLOCK = 100_000
rows = int(sys.argv[1])
random.seed(20)
sites = ["Alder Wick", "Brook End", "Coldharbour", "Dunmere", "Elder Moor", "Fen Lane", "Gorse Hill", "Hollow Way"]
notes = ["calm and quiet", "inspected in the rain", "queen seen; brood in all stages", "", "moved to the other stand", "fed with two litres of syrup"]
names = ("tag,apiary,stand,keeper,day,strain,weight,gain,temperature,humidity,sound,frames,mites,brood,pollen,honey,distance,wind,note,score")


def line(i):
    return ",".join([
        f"H-{i:06d}", sites[i % 7 if i % 11 else 7], f"stand {i % 40}", random.choice(["Ada", "Ben", "Cleo", "Dov", ""]),
        f"2026-{1 + i % 12:02d}-{1 + i % 28:02d}", random.choice(["dark", "carniolan", "buckfast"]),
        f"{random.gauss(32, 7):.2f}", f"{random.gauss(0.4, 0.3):.3f}", f"{random.gauss(34.5, 1.1):.1f}", str(random.randint(20, 95)),
        f"{random.gauss(250, 40):.10f}", str(random.randint(1, 20)), "" if i % 13 == 0 else str(random.randint(0, 60)), f"{random.random():.4f}",
        f"{random.lognormvariate(2, 1):.6f}", f"{random.gauss(18, 5):.2f}", f"{random.uniform(0, 9000):.1f}", f"{random.weibullvariate(4, 2):.1f}",
        random.choice(notes), str(random.randint(0, 100)),
    ]) + "\n"


sys.stdout.write(names + "\n")
block = [line(i) for i in range(min(BLOCK, rows))]
whole = "".join(block)
for _ in range(rows // BLOCK):
    sys.stdout.write(whole)
sys.stdout.write("".join(block[: rows % BLOCK]))
