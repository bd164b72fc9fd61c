"""Times Row Tally, SQL and numpy on the same file, one after the other in one run. Medians; ratios are what counts."""

import getpass
import http.cookiejar
import json
import os
import random
import statistics
import subprocess
import sys
import time
import urllib.error
import urllib.parse
import urllib.request
import uuid

import judging
import reports
import numpy
import openpyxl

FILE, URL, SOCKET, ROWS = sys.argv[1], sys.argv[2], sys.argv[3], int(sys.argv[4])
NUMBERS = {"weight": ("Weight (kg)", 2), "temperature": ("Temperature (°C)", 3), "humidity": ("Humidity (%)", 4), "sound": ("Sound (dB)", 5)}
KIND = {"weight": "decimals, 9,000 distinct", "temperature": "decimals, 330 distinct", "humidity": "byte codes", "sound": "a million distinct"}

# Tallies and their buckets, which nobody sweeps away once the tallies that name them are gone.
FORGET = "TRUNCATE tallies; TRUNCATE tally_buckets"

# What numpy needed for one variable of a million rows on the machine that the targets in milliseconds were set on.
NUMPY_THERE = 0.078


class Client:
    def __init__(self):
        self.jar = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))
        self.call("GET", "/api/session")
        self.call("POST", "/api/session", json.dumps({"email": "demo@rowtally.example", "password": "fenmoor"}).encode(), "application/json")

    def call(self, method, path, body=None, kind=None):
        token = next((urllib.parse.unquote(c.value) for c in self.jar if c.name == "XSRF-TOKEN"), "")
        headers = {"Accept": "application/json", "X-XSRF-TOKEN": token}
        if kind:
            headers["Content-Type"] = kind
        with self.opener.open(urllib.request.Request(URL + path, body, headers, method=method), timeout=600) as answer:
            timing = answer.headers.get("Server-Timing") or "app;dur=0"
            self.server_seconds = float(timing.split("dur=")[1]) / 1000
            return json.load(answer)

    def upload(self, path):
        edge = uuid.uuid4().hex
        with open(path, "rb") as file:
            content = file.read()
        body = b"".join([
            f'--{edge}\r\nContent-Disposition: form-data; name="file"; filename="{path.rsplit("/", 1)[1]}"\r\nContent-Type: text/csv\r\n\r\n'.encode(),
            content, f'\r\n--{edge}\r\nContent-Disposition: form-data; name="begin"\r\n\r\n1\r\n--{edge}--\r\n'.encode(),
        ])
        return self.call("POST", "/api/imports", body, f"multipart/form-data; boundary={edge}")


def sql(statement):
    done = subprocess.run(["mariadb", "--no-defaults", "--protocol=socket", f"--socket={SOCKET}", f"--user={getpass.getuser()}", "--local-infile=1", "-N", "-B", "rowtally"],
                          input=statement, capture_output=True, text=True, check=True)
    return done.stdout


def timed(work, times):
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        taken.append(time.perf_counter() - start)
    return statistics.median(taken)


def show(work, peer, peer_time, own, target):
    ratio = own / peer_time
    verdict = "" if target is None else ("met" if ratio <= target else "MISSED")
    aim = "" if target is None else f"≤ {target:g}"
    print(f"{work:<58} {peer:<16} {peer_time * 1000:>9.0f} ms {own * 1000:>9.0f} ms {ratio:>8.2f} {aim:>8} {verdict}", flush=True)


def show_time(work, own, p95, target_ms, target_p95_ms):
    verdict = "met" if own * 1000 <= target_ms and p95 * 1000 <= target_p95_ms else "MISSED"
    print(f"{work:<58} {'median, 95th':<16} {own * 1000:>9.0f} ms {p95 * 1000:>9.0f} ms {'':>8} ≤ {target_ms}/{target_p95_ms} {verdict}", flush=True)


def imported(client, path=FILE):
    """One import through the real queue: seconds between its start and its end as the job itself notes them."""
    started = client.upload(path)
    while True:
        state = client.call("GET", f"/api/imports/{started['id']}")
        if state["status"] in ("done", "failed", "cancelled"):
            assert state["status"] == "done", state
            break
        time.sleep(0.2)
    seconds = float(sql(f"SELECT JSON_VALUE(measured, '$.seconds') FROM imports WHERE id = {started['id']}"))
    peak = float(sql(f"SELECT JSON_VALUE(measured, '$.peak_bytes') FROM imports WHERE id = {started['id']}"))
    return state["dataset_id"], seconds, peak


def cells_by_openpyxl(path):
    """The same cells read by the usual tool, in its quick mode; nothing is stored."""
    sheet = openpyxl.load_workbook(path, read_only=True).active
    return sum(1 for row in sheet.iter_rows(values_only=True) for _ in row)


def overview(client):
    """Twenty variables of as many rows, ten of few values and ten of many."""
    path = f"{FILE.rsplit('/', 1)[0]}/twenty-{ROWS}.csv"
    if not os.path.exists(path):
        rng = numpy.random.default_rng(3)
        table = numpy.column_stack([rng.integers(0, 12, ROWS) / 1.0 for _ in range(10)] + [rng.normal(300, 60, ROWS).round() / 10 for _ in range(10)])
        numpy.savetxt(path, table, "%g", ",", header=",".join(f"v{i}" for i in range(20)), comments="")
    dataset, _, _ = imported(client, path)

    def once(words, forget):
        if forget:
            sql(FORGET)
        start = time.perf_counter()
        client.call("GET", f"/api/datasets/{dataset}/overview?figures=essentials,skewness,kurtosis{words}")
        return time.perf_counter() - start

    once("", True)
    cold = [once("", True) for _ in range(5)]
    show_time("overview of 20 variables, cold", statistics.median(cold), max(cold), 2000, 3000)
    warm = [once(f"&quartiles=hf{i % 9 + 1}", False) for i in range(20)]
    show_time("overview of 20 variables, warm", statistics.median(warm), sorted(warm)[-2], 100, 200)
    worth = []
    for i in range(20):
        words = f"quartiles=hf{i % 9 + 1}"
        client.call("GET", f"/api/datasets/{dataset}/overview?{words}")
        own = client.server_seconds
        client.call("GET", f"/api/datasets/{dataset}/readings?most=5&{words}")
        worth.append(own + client.server_seconds)
    show_time("overview of 20 variables with what is worth a look, warm", statistics.median(worth[2:]), sorted(worth[2:])[-2], 150, 250)


def match(client):
    """A stated figure among 100,000 rows of 2,000 and of nearly as many distinct values as rows."""
    path = f"{FILE.rsplit('/', 1)[0]}/match.csv"
    if not os.path.exists(path):
        rng = numpy.random.default_rng(5)
        numpy.savetxt(path, numpy.column_stack([rng.normal(300, 60, 100_000).round() / 10, rng.normal(1e6, 2e5, 100_000).round(3)]), "%.3f", ",", header="some,many", comments="")
    dataset, _, _ = imported(client, path)
    for name, kind in (("some", "2,000"), ("many", "100,000")):
        times = []
        for stated in ("30.01", "29.9", "123.4", "6.001", "33.33", "1000012.3", "17"):
            start = time.perf_counter()
            client.call("GET", f"/api/datasets/{dataset}/matches?of={name}&stated={stated}")
            times.append(time.perf_counter() - start)
        show_time(f"match at 100,000 rows, {kind} distinct", statistics.median(times), max(times), 1000, 1000)


def main():
    print(f"{ROWS:,} rows × 6 columns, {round(len(open(FILE, 'rb').read()) / 1e6, 1)} MB\n")
    print(f"{'work':<58} {'peer':<16} {'peer':>12} {'Row Tally':>12} {'ratio':>8} {'target':>8}")
    client = Client()

    sql("CREATE TABLE IF NOT EXISTS readings (reading INT, apiary VARCHAR(40), weight DOUBLE, temperature DOUBLE, humidity DOUBLE, sound DOUBLE)")

    def load():
        sql(f"TRUNCATE readings; LOAD DATA LOCAL INFILE '{FILE}' INTO TABLE readings FIELDS TERMINATED BY ',' IGNORE 1 LINES "
            "(reading, apiary, @w, temperature, humidity, sound) SET weight = NULLIF(@w, '')")

    pairs = []
    for _ in range(3):
        # Both begin when the database has come to rest: it goes on writing pages for a while after either.
        time.sleep(3)
        start = time.perf_counter()
        load()
        loaded = time.perf_counter() - start
        time.sleep(3)
        pairs.append((loaded, imported(client)))
    load_time = statistics.median(pair[0] for pair in pairs)
    import_time = statistics.median(pair[1][1] for pair in pairs)
    dataset, _, peak = pairs[-1][1]
    show("import, types, aggregates, encodings, order", "LOAD DATA LOCAL", load_time, import_time, 0.45)
    print(f"{'  memory over the worker at rest':<58} {'':<16} {'':>12} {peak / 1e6:>9.0f} MB {'':>8} {'≤ 32 MB':>8} {'met' if peak <= 32e6 else 'MISSED'}")

    columns = {name: numpy.genfromtxt(FILE, delimiter=",", skip_header=1, usecols=place[1], dtype=float) for name, place in NUMBERS.items()}
    apiaries = numpy.array([line.split(",", 2)[1] for line in open(FILE, encoding="utf-8").read().splitlines()[1:]])
    codes = numpy.unique(apiaries, return_inverse=True)[1]

    numpy_times = []
    for name in NUMBERS:
        values = columns[name][~numpy.isnan(columns[name])]
        groups = codes[~numpy.isnan(columns[name])]

        def by_numpy(x=values):
            n, mean, sd = len(x), x.mean(), x.std(ddof=1)
            numpy.percentile(x, [0, 25, 50, 75, 100])
            centred = x - mean
            (centred ** 3).mean(), (centred ** 4).mean()
            numpy.histogram(x, 30)
            return n, sd

        def by_numpy_groups():
            by_numpy()
            for code in range(5):
                by_numpy(values[groups == code])

        low, high = float(values.min()), float(values.max())
        figures = f"COUNT({name}), AVG({name}), STDDEV_SAMP({name}), MIN({name}), MAX({name}), SUM({name})"
        quartiles = (f"SELECT DISTINCT PERCENTILE_CONT(0.25) WITHIN GROUP (ORDER BY {name}) OVER (), PERCENTILE_CONT(0.5) WITHIN GROUP (ORDER BY {name}) OVER (), "
                     f"PERCENTILE_CONT(0.75) WITHIN GROUP (ORDER BY {name}) OVER () FROM readings WHERE {name} IS NOT NULL;")
        classes = f"SELECT FLOOR(({name} - {low}) / {(high - low) / 30}) c, COUNT(*) FROM readings WHERE {name} IS NOT NULL GROUP BY c;"
        statement = f"SELECT {figures} FROM readings; {quartiles} {classes}"
        group_statement = (statement + f"SELECT apiary, {figures} FROM readings GROUP BY apiary; "
                           + quartiles.replace("OVER ()", "OVER (PARTITION BY apiary)").replace("DISTINCT", "DISTINCT apiary,")
                           + classes.replace("c,", "c, apiary,").replace("GROUP BY c", "GROUP BY c, apiary"))

        def profile(words="", forget=True):
            if forget:
                sql(FORGET)
            start = time.perf_counter()
            client.call("GET", f"/api/datasets/{dataset}/profile?of={name}{words}&figures=essentials,skewness,kurtosis")
            taken = time.perf_counter() - start
            if forget:
                # What is kept for the next time is written after the answer.
                time.sleep(3 if name == "sound" else 0)
            return taken

        profile()
        numpy_time, sql_time = timed(by_numpy, 3), timed(lambda: sql(statement), 1)
        numpy_times.append(numpy_time)
        cold = statistics.median(profile() for _ in range(5))
        alone = numpy_time
        show(f"cold profile of {name} ({KIND[name]})", "numpy", numpy_time, cold, 0.8)
        show("", "SQL", sql_time, cold, 1 / 20)
        numpy_time, sql_time = timed(by_numpy_groups, 3), timed(lambda: sql(group_statement), 1)
        cold = statistics.median(profile("&by=apiary") for _ in range(5))
        show(f"cold profile of {name} overall and by five groups", "numpy", numpy_time, cold, 1.2)
        show("", "SQL", sql_time, cold, None)
        rules = ["halves-excluded", "halves-included"] + [f"hf{i}" for i in range(1, 10)]
        for words, work, most in (("&as=population", f"warm: another basis for {name}, server median", 0.08), ("&by=apiary", "warm: the same by five groups, server median", 0.12)):
            warm = []
            for rule in rules * 3:
                profile(f"{words}&quartiles={rule}", False)
                warm.append(client.server_seconds)
            show(work, "numpy, cold", alone, statistics.median(warm), most)
        binned = []
        for i in range(33):
            # Some 20 to 80 classes, from a start that moves.
            profile(f"&classes={low - 1 + i / 50:.2f}:{(high - low) / (20 + 2 * i):.3f}", False)
            binned.append(client.server_seconds)
        show_time("other classes, server", statistics.median(binned), sorted(binned)[-2], 20, 50)

    # Rows: windows anywhere, and edits until the figures are there again. Server time, as the server itself says.
    random.seed(7)
    windows, whole, peer = [], [], []
    for i in range(60):
        offset = random.randrange(ROWS)
        start = time.perf_counter()
        client.call("GET", f"/api/datasets/{dataset}/rows?from={offset}&count=200")
        whole.append(time.perf_counter() - start)
        windows.append(client.server_seconds)
        if i % 6 == 0:
            peer.append(timed(lambda offset=offset: sql(f"SELECT * FROM readings LIMIT 200 OFFSET {offset}"), 1))
    show("grid window of 200 rows × 6 at any offset, as the client sees it", "SQL", statistics.median(peer), statistics.median(whole), None)
    show("grid window of 200 rows × 6 at any offset, server median", "SQL", statistics.median(peer), statistics.median(windows), 0.05)
    for name in ("weight", "humidity", "sound"):
        edits = []
        for _ in range(12):
            revision = client.call("GET", f"/api/datasets/{dataset}")["revision"]
            words = {"revision": revision, "kind": "edit-cells", "edits": [{"row": random.randrange(ROWS) + 1, "variable": name, "text": str(random.randrange(30, 60))}]}
            try:
                client.call("POST", f"/api/datasets/{dataset}/changes", json.dumps(words).encode(), "application/json")
            except urllib.error.HTTPError as refused:
                # The cell may hold that number already.
                if refused.code != 422:
                    raise
                continue
            taken = client.server_seconds
            client.call("GET", f"/api/datasets/{dataset}/profile?of={name}")
            edits.append(taken + client.server_seconds)
        show(f"edit one cell of {name} to recomputed figures, server median", "numpy, cold", statistics.median(numpy_times), statistics.median(edits), 0.3)
    judging.readings(client, dataset, show_time)
    judging.compared(client, dataset, columns, codes, sql, timed, show, show_time)
    judging.set_aside(client, dataset, ROWS, show_time)
    reports.run(client, URL, FILE, show_time)
    folder = FILE.rsplit("/", 1)[0]
    xlsx, ods = (imported(client, f"{folder}/readings.{kind}")[1] for kind in ("xlsx", "ods"))
    show("import of xlsx, 100,000 × 10", "openpyxl", timed(lambda: cells_by_openpyxl(f"{folder}/readings.xlsx"), 1), xlsx, 0.4)
    show("import of ods, 100,000 × 10", "xlsx", xlsx, ods, 1.3)

    overview(client)
    match(client)

    # Of a million rows; the smaller files of a quick look say nothing about it.
    pace = statistics.median(numpy_times) / NUMPY_THERE
    print(f"This machine today: numpy needs {statistics.median(numpy_times) * 1000:.0f} ms for one variable, where the targets were set {NUMPY_THERE * 1000:.0f} ms: {pace:.1f} times as long.", flush=True)
    bare = [timed(lambda: client.call("GET", "/api/conventions"), 1) for _ in range(30)]
    show_time("an API call that computes nothing", statistics.median(bare), sorted(bare)[-2], 15, 50)


if __name__ == "__main__":
    main()
