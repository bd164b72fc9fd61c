"""Times reports: blocks of the dataset that `measure.py` has brought in, as PDF, and the check of one with a thousand figures."""

import json
import time
import urllib.request
import uuid

JSON = "application/json"
FIGURES = "n,missing,mean,sd,variance,min,q1,median,q3,max,range,iqr,sum"
NAMES = ("weight", "temperature", "humidity", "sound")


def blocks(count):
    """Headings, words with figures, pictures, figures by group, frequencies: what reports are made of."""
    made = []
    kinds = [
        lambda i, of: {"kind": "heading", "title": f"Part {i}", "level": 1},
        lambda i, of: {"kind": "text", "words": {"type": "doc", "content": [{"type": "paragraph", "content": [
            {"type": "text", "text": f"The mean of {of} is "},
            {"type": "figureField", "attrs": {"address": f"of={of}", "figure": "mean", "group": ""}},
            {"type": "text", "text": "."}]}]}},
        lambda i, of: {"kind": "picture", "picture": ("stack", "boxes", "qq")[i % 3], "title": of, "address": f"of={of}" + ("&by=apiary" if i % 3 == 1 else "")},
        lambda i, of: {"kind": "figures", "title": of, "address": f"of={of}&by=apiary&figures={FIGURES}"},
        lambda i, of: {"kind": "frequencies", "title": of, "address": f"of={of}"},
    ]
    for i in range(count):
        made.append({"id": f"b{i:06x}", **kinds[i % len(kinds)](i, NAMES[i // len(kinds) % 3])})
    return made


def written(client, dataset, made):
    def put(path, body, method="POST"):
        return client.call(method, path, json.dumps(body).encode(), JSON)
    report = put(f"/api/datasets/{dataset}/reports", {"title": f"Bench {uuid.uuid4().hex[:6]}"})
    put(f"/api/reports/{report['id']}", {"version": 1, "document": {"title": "Bench", "blocks": made, "hidden": []}}, "PUT")
    return report["id"]


def handed_over(client, report, form):
    """Edition and file, from the press to the last byte."""
    start = time.perf_counter()
    edition = client.call("POST", f"/api/reports/{report}/editions", b"{}", JSON)
    held = time.perf_counter() - start
    file = client.call("POST", f"/api/editions/{edition['id']}/files", json.dumps({"form": form}).encode(), JSON)
    while file["status"] in ("waiting", "making"):
        time.sleep(0.05)
        file = client.call("GET", f"/api/editions/{edition['id']}/files/{form}/status")
    if file["status"] != "ready":
        raise SystemExit(file["error"])
    return time.perf_counter() - start, held, edition["id"], file["bytes"]


def checked(client, url, edition, rows):
    with client.opener.open(urllib.request.Request(f"{url}/api/editions/{edition}/files/html"), timeout=600) as answer:
        page = answer.read()
    with open(rows, "rb") as file:
        content = file.read()
    edge = uuid.uuid4().hex
    part = lambda name, file, kind: f'--{edge}\r\nContent-Disposition: form-data; name="{name}"; filename="{file}"\r\nContent-Type: {kind}\r\n\r\n'.encode()
    body = b"".join([part("report", "report.html", "text/html"), page, b"\r\n", part("rows", "rows.csv", "text/csv"), content, f"\r\n--{edge}--\r\n".encode()])
    start = time.perf_counter()
    check = client.call("POST", "/api/checks", body, f"multipart/form-data; boundary={edge}")
    while check["status"] in ("waiting", "checking"):
        time.sleep(0.05)
        check = client.call("GET", f"/api/checks/{check['id']}")
    return time.perf_counter() - start, check


def brought_in(client, path):
    """The rows once more, as they came: what others have changed of theirs is not to be checked."""
    started = client.upload(path)
    while True:
        state = client.call("GET", f"/api/imports/{started['id']}")
        if state["status"] == "done":
            return state["dataset_id"]
        if state["status"] not in ("queued", "running"):
            raise SystemExit(f"The import ended: {state['status']}")
        time.sleep(0.3)


def run(client, url, rows, show_time):
    dataset = brought_in(client, rows)
    for count, target in ((30, 8000), (200, 240000)):
        report = written(client, dataset, blocks(count))
        handed_over(client, report, "tables")
        taken = []
        for _ in range(3):
            client.call("PUT", f"/api/reports/{report}", json.dumps({
                "version": client.call("GET", f"/api/reports/{report}")["version"],
                "document": {"title": f"Bench {uuid.uuid4().hex[:6]}", "blocks": blocks(count), "hidden": []},
            }).encode(), JSON)
            total, held, edition, size = handed_over(client, report, "pdf")
            taken.append(total)
        print(f"  {count} blocks: the edition {held * 1000:.0f} ms of it, {size / 1024:.0f} kB")
        show_time(f"{count} blocks to a PDF, from press to last byte", sorted(taken)[1], max(taken), target, target)
        client.call("GET", f"/api/reports/{report}/changes")
    # Five groups and overall, thirteen figures, three numbers and more of them: a thousand.
    many = [{"id": f"b{i:06x}", "kind": "figures", "title": "x", "address": f"of={NAMES[i % 3]}&by=apiary&figures={FIGURES}" + ("&as=population" if i % 2 else "") + f"&quartiles=hf{i % 9 + 1}"} for i in range(14)]
    report = written(client, dataset, many)
    _, _, edition, _ = handed_over(client, report, "html")
    taken, check = checked(client, url, edition, rows)
    result = check["result"]
    if result is None or result["differing"] or result["lacking"]:
        raise SystemExit(f"the check says: {check['error'] or (result['differs'][:3], result['lacks'][:3])}")
    show_time(f"check of {result['agree']:,} figures over {result['rows']:,} rows, reading them included", taken, taken, 10000, 10000)
