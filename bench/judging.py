"""Times what is said, compared and set aside, of the dataset that `measure.py` has brought in."""

import json
import random
import statistics
import time
import urllib.parse

import numpy


def readings(client, dataset, show_time):
    """What one variable says, beyond its figures, when both are known."""
    for name in ("weight", "humidity", "sound"):
        beyond = []
        for i in range(24):
            words = f"of={name}&quartiles=hf{i % 9 + 1}"
            client.call("GET", f"/api/datasets/{dataset}/profile?{words}")
            figures = client.server_seconds
            client.call("GET", f"/api/datasets/{dataset}/readings?{words}")
            if i >= 4:
                beyond.append(max(0.0, client.server_seconds - figures))
        show_time(f"readings of {name} beyond its figures, server", statistics.median(beyond), sorted(beyond)[-2], 30, 60)


def compared(client, dataset, columns, codes, sql, timed, show, show_time):
    """Five groups, each after the first against that: centre, spread, intervals, tenths, and how often one exceeds the other."""
    groups = client.call("GET", f"/api/datasets/{dataset}/compared?what=groups&of=weight&by=apiary")["groups"][:5]
    words = f"what=groups&by=apiary&groups={urllib.parse.quote(json.dumps(groups))}"
    for name, values in columns.items():
        present = ~numpy.isnan(values)

        def by_numpy():
            sides = [numpy.sort(values[present & (codes == code)]) for code in range(5)]
            tenths = numpy.arange(10, 100, 10)
            for side in sides:
                side.mean(), side.std(ddof=1), numpy.percentile(side, [0, 25, 50, 75, 100]), numpy.percentile(side, tenths)
            first = sides[0]
            for side in sides[1:]:
                (numpy.searchsorted(first, side, "left").sum() + numpy.searchsorted(first, side, "right").sum()) / (2 * len(first) * len(side))

        def once(more="", forget=False):
            if forget:
                sql("TRUNCATE tallies")
            start = time.perf_counter()
            client.call("GET", f"/api/datasets/{dataset}/compared?{words}&of={name}{more}")
            taken = time.perf_counter() - start
            if forget:
                # What is kept for the next time is written after the answer.
                time.sleep(1.5 if name == "sound" else 0)
            return taken

        once()
        show(f"cold comparison of five groups of {name}", "numpy", timed(by_numpy, 3), statistics.median(once(forget=True) for _ in range(5)), 2)
        once()
        warm = []
        for i in range(24):
            once(f"&quartiles=hf{i % 9 + 1}")
            if i >= 4:
                warm.append(client.server_seconds)
        show_time("warm: under another basis, server", statistics.median(warm), sorted(warm)[-2], 100, 150)


def set_aside(client, dataset, rows, show_time):
    """A thousand rows anywhere, until the figures without them are there."""
    random.seed(11)

    def change(words):
        revision = client.call("GET", f"/api/datasets/{dataset}")["revision"]
        client.call("POST", f"/api/datasets/{dataset}/changes", json.dumps({"revision": revision, **words}).encode(), "application/json")
        return client.server_seconds

    for name in ("weight", "humidity", "sound"):
        client.call("GET", f"/api/datasets/{dataset}/profile?of={name}")
        taken = []
        for i in range(8):
            seconds = change({"kind": "set-aside", "rows": random.sample(range(1, rows + 1), 1000), "reason": "the scale was broken"})
            client.call("GET", f"/api/datasets/{dataset}/profile?of={name}")
            taken.append(seconds + client.server_seconds)
            change({"kind": "bring-back"})
        show_time(f"1,000 rows set aside to recomputed figures of {name}, server", statistics.median(taken), sorted(taken)[-2], 150, 225)
