"""Job cards over the wire: ticks that two devices make at once, pictures made anew, the card on paper."""

import io
import threading
import zipfile

import pypdf
import pytest
from PIL import Image

from feder.demo.nettle import nettle

DOCUMENT = nettle().model_dump(mode="json")


@pytest.fixture
def vehicle(client):
    made = client.post("/api/vehicles/import", json=DOCUMENT)
    return made.get_json()["id"]


def picture(width=80, height=40, form="JPEG", **more):
    out = io.BytesIO()
    Image.new("RGB", (width, height), "red").save(out, form, **more)
    return out.getvalue()


def said(client, vehicle, step, state="done", **more):
    path = f"/api/vehicles/{vehicle}/cards/plan/ticks"
    return client.post(path, json={"step": step, "state": state, **more})


def test_the_card_of_a_plan_comes_in_its_groups(client):
    card = client.post("/api/card", json={"document": DOCUMENT, "setup": "plan"}).get_json()["card"]
    assert [g["id"] for g in card["groups"]] == [
        "before",
        "front_left",
        "front_right",
        "rear_left",
        "rear_right",
        "ground",
        "after",
    ]
    assert client.post("/api/card", json={"document": DOCUMENT, "setup": "none"}).status_code == 422


def test_each_tick_is_saved_by_itself_and_the_newest_of_a_step_holds(client, vehicle):
    said(client, vehicle, "before.stands", who="Ann", mark="abc")
    said(client, vehicle, "front_left.wheel_off", "off", reason="later")
    told = said(client, vehicle, "before.stands", "open").get_json()["ticks"]
    assert [(t["step"], t["state"], t["reason"]) for t in told] == [("front_left.wheel_off", "off", "later")]
    told = said(client, vehicle, "before.stands", who="Bo", mark="abd").get_json()["ticks"]
    assert {t["step"]: (t["who"], t["mark"]) for t in told}["before.stands"] == ("Bo", "abd")
    assert client.get(f"/api/vehicles/{vehicle}/cards/fitted/ticks").get_json()["ticks"] == []


def test_two_devices_ticking_at_once_lose_none(client, vehicle):
    app = client.application

    def tick(n):
        said(app.test_client(), vehicle, f"own.{n}", who=f"hand {n % 2}")

    hands = [threading.Thread(target=tick, args=(n,)) for n in range(12)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    told = client.get(f"/api/vehicles/{vehicle}/cards/plan/ticks").get_json()["ticks"]
    assert sorted(t["step"] for t in told) == sorted(f"own.{n}" for n in range(12))


@pytest.mark.parametrize(
    ("path", "body", "status"),
    [
        ("/api/vehicles/none/cards/plan/ticks", {"step": "a", "state": "done"}, 404),
        ("/api/vehicles/none/cards/plan/ticks", {"step": "a", "state": "perhaps"}, 422),
        ("/api/vehicles/none/cards/plan/ticks", {"step": "a" * 200, "state": "done"}, 422),
    ],
)
def test_a_tick_that_is_none_is_refused(client, path, body, status):
    assert client.post(path, json=body).status_code == status


def hung(client, vehicle, data, about="front_left.apart"):
    return client.post(f"/api/vehicles/{vehicle}/photos?about={about}", data=data)


def test_a_picture_is_made_anew_upright_small_and_without_its_place(client, vehicle):
    exif = Image.Exif()
    exif[0x0112] = 6  # on its side
    exif.get_ifd(0x8825)[1] = "N"  # where it was taken
    kept = hung(client, vehicle, picture(4000, 1000, exif=exif)).get_json()["photos"]
    assert [(p["about"], p["width"], p["height"]) for p in kept] == [("front_left.apart", 400, 1600)]
    answer = client.get(f"/api/vehicles/{vehicle}/photos/{kept[0]['id']}")
    with Image.open(io.BytesIO(answer.data)) as image:
        assert (image.format, image.size, dict(image.getexif())) == ("JPEG", (400, 1600), {})
    assert client.delete(f"/api/vehicles/{vehicle}/photos/{kept[0]['id']}").get_json()["photos"] == []
    assert client.get(f"/api/vehicles/{vehicle}/photos/{kept[0]['id']}").status_code == 404


@pytest.mark.parametrize("data", [b"", b"no picture", b"GIF89a" + bytes(50), picture()[:200]])
def test_what_is_no_picture_is_refused_in_words_and_nothing_is_kept(client, vehicle, data):
    answer = hung(client, vehicle, data)
    assert answer.status_code == 422
    assert answer.get_json()["error"]["key"] == "photo"
    assert client.get(f"/api/vehicles/{vehicle}/photos").get_json()["photos"] == []


def test_a_picture_of_100_megapixels_is_refused(client, vehicle):
    answer = hung(client, vehicle, picture(12_000, 9_000, "PNG"))
    assert answer.status_code == 422
    assert "megapixels" in answer.get_json()["error"]["message"]


def test_a_picture_of_another_vehicle_is_not_shown(client, vehicle):
    photo = hung(client, vehicle, picture()).get_json()["photos"][0]["id"]
    assert client.get(f"/api/vehicles/other/photos/{photo}").status_code == 404


@pytest.mark.filterwarnings("ignore")  # the PDF library's own dependencies warn about themselves
@pytest.mark.parametrize(
    ("what", "told"),
    [
        ("card", ("job card", "E", "173 kg (right 158 kg)", "larch 26", "24.0 mm", "clamp bolt")),
        ("inspection", ("It claims nothing", "larch 26", "floor to arch, front left", "634", "front axle")),
    ],
)
def test_card_and_note_are_papers_with_text(client, what, told):
    answer = client.post(f"/api/card/{what}", json={"document": DOCUMENT, "setup": "plan"})
    assert answer.mimetype == "application/pdf"
    text = " ".join(p.extract_text() for p in pypdf.PdfReader(io.BytesIO(answer.data)).pages)
    flat = " ".join(text.split())
    for words in told:
        assert words in flat, words


def archived(client, vehicle):
    return client.get(f"/api/vehicles/{vehicle}/archive").data


def test_an_archive_brings_vehicle_ticks_and_pictures_back(client, vehicle):
    said(client, vehicle, "before.stands", who="Ann", mark="abc")
    said(client, vehicle, "before.pushed", "off", reason="later")
    said(client, vehicle, "before.pushed", "open")
    hung(client, vehicle, picture(), "damage.a")
    before = client.get(f"/api/vehicles/{vehicle}/cards/plan/ticks").get_json()["ticks"]
    back = client.post("/api/vehicles/import", data=archived(client, vehicle))
    assert back.status_code == 201
    made = back.get_json()["id"]
    assert back.get_json()["document"]["vehicle"]["name"] == "Nettle"
    assert client.get(f"/api/vehicles/{made}/cards/plan/ticks").get_json()["ticks"] == before
    kept = client.get(f"/api/vehicles/{made}/photos").get_json()["photos"]
    assert [(p["about"], p["width"], p["height"]) for p in kept] == [("damage.a", 80, 40)]


def zipped(**files):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as made:
        for name, text in files.items():
            made.writestr(name.replace("__", "/").replace("_", "."), text)
    return out.getvalue()


WHOLE = {"vehicle_feder_json": nettle().model_dump_json()}


@pytest.mark.parametrize(
    "data",
    [
        b"PK and no more",
        zipped(other_json="{}"),
        zipped(**{**WHOLE, "vehicle_feder_json": "{}"}),
        zipped(**WHOLE, card_json="[]"),
        zipped(**WHOLE, card_json='{"ticks": [{"setup": "plan"}]}'),
        zipped(**WHOLE, card_json='{"pictures": [{"file": "gone.jpg", "about": "a"}]}'),
        zipped(**WHOLE, card_json='{"pictures": [{"file": "a.jpg", "about": "a"}]}', a_jpg="none"),
        zipped(**WHOLE, **{f"f{n}": "" for n in range(4100)}),
    ],
)
def test_an_archive_at_fault_is_refused_whole(client, data):
    before = len(client.get("/api/vehicles").get_json()["vehicles"])
    answer = client.post("/api/vehicles/import", data=data)
    assert answer.status_code == 422
    assert len(answer.get_json()["error"]["message"]) > 20
    assert len(client.get("/api/vehicles").get_json()["vehicles"]) == before


def test_only_an_archive_may_be_larger_than_a_vehicle_file(client):
    large = b"PK" + bytes(9_000_000)
    assert client.post("/api/vehicles/import", data=large).status_code == 413
    assert client.post("/api/vehicles/import", data=large, content_type="application/zip").status_code == 422


def test_the_workshops_card_of_one_vehicle_is_offered_to_those_of_the_same_layouts(client, vehicle):
    own = {"own": [{"id": "a", "group": "after", "words": "Photograph of the odometer"}]}
    other = client.post("/api/vehicles/import", json={**DOCUMENT, "card": own}).get_json()["id"]
    told = {"vehicle_id": vehicle, "front": "strut", "rear": "divorced"}
    offered = client.get("/api/card/others", query_string=told).get_json()["others"]
    assert [(o["name"], [s["words"] for s in o["card"]["own"]]) for o in offered] == [
        ("Nettle", ["Photograph of the odometer"])
    ]
    assert client.get("/api/card/others", query_string={**told, "rear": "strut"}).get_json()["others"] == []
    assert client.get("/api/card/others", query_string={**told, "vehicle_id": other}).get_json()["others"] == []
