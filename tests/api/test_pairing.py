"""Pairing on loopback: another loopback address stands for the workshop's network, the clock is the test's own."""

import pytest

from feder.api.app import create_app
from feder.api.codes import LIVES, MOST_WRONG, Codes
from feder.demo.magpie import magpie

PHONE = "http://127.0.0.2:8440"


@pytest.fixture
def app(tmp_path):
    made = create_app(tmp_path, host="127.0.0.2", port=8440)
    made.extensions["feder"].garage.add(magpie())
    return made


class Phone:
    """A device that asks at the network address."""

    def __init__(self, app):
        self.client = app.test_client()

    def ask(self, method, path, **more):
        return self.client.open(path, method=method, base_url=PHONE, **more)


def code_of(app):
    return app.test_client().post("/api/pair/code").get_json()["code"]


def test_a_phone_is_answered_once_it_has_typed_the_code(app):
    asks = Phone(app)
    with asks.ask("GET", "/") as page:
        assert page.status_code in (200, 503)  # the page, so that a code can be typed
    refused = asks.ask("GET", "/api/vehicles")
    assert refused.status_code == 401
    assert refused.get_json()["error"]["key"] == "pairing"
    code = code_of(app)
    paired = asks.ask("POST", "/api/pair/device", json={"code": code, "name": "bench phone"})
    assert paired.status_code == 204
    assert "HttpOnly" in paired.headers["Set-Cookie"]
    assert "SameSite=Strict" in paired.headers["Set-Cookie"]
    assert asks.ask("GET", "/api/vehicles").get_json()["vehicles"][0]["name"] == "Magpie"
    again = Phone(app).ask("POST", "/api/pair/device", json={"code": code, "name": "thief"})
    assert again.status_code == 429  # a code is good once
    bench = app.test_client()
    (device,) = bench.get("/api/pair").get_json()["devices"]
    assert device["name"] == "bench phone"
    assert bench.delete(f"/api/pair/device/{device['id']}").get_json()["devices"] == []
    assert asks.ask("GET", "/api/vehicles").status_code == 401
    assert bench.delete(f"/api/pair/device/{device['id']}").status_code == 404


def test_codes_and_devices_are_seen_to_on_the_bench_only(app):
    code = code_of(app)
    asks = Phone(app)
    for method, path in (("GET", "/api/pair"), ("POST", "/api/pair/code"), ("DELETE", "/api/pair/device/1")):
        assert asks.ask(method, path).status_code == 403
    asks.ask("POST", "/api/pair/device", json={"code": code, "name": "phone"})
    assert asks.ask("GET", "/api/pair").status_code == 403
    assert asks.ask("GET", "/api/vehicles", headers={"Origin": "http://evil.test"}).status_code == 403


def test_only_the_told_host_is_answered(app, tmp_path):
    for host in ("192.168.1.20", "evil.test", "127.0.0.3"):
        assert app.test_client().get("/api/vehicles", headers={"Host": host}).status_code == 403
    disguised = app.test_client().get(
        "/api/vehicles", headers={"Host": "localhost"}, environ_base={"REMOTE_ADDR": "192.168.1.7"}
    )
    assert disguised.status_code == 403
    alone = create_app(tmp_path / "alone")
    assert alone.test_client().get("/api/vehicles", base_url=PHONE).status_code == 403
    assert alone.test_client().get("/api/pair").get_json()["address"] is None


def test_wrong_codes_are_slowed_down_and_withdraw_the_code():
    now = [0.0]
    codes = Codes(clock=lambda: now[0])
    right = codes.fresh()
    wrong = "000000" if right != "000000" else "111111"
    waits = []
    for _ in range(MOST_WRONG):
        good, wait = codes.tried(wrong)
        assert not good
        assert codes.tried(right)[0] is False  # even the right one has to wait
        waits.append(wait)
        now[0] += wait + 0.01
    assert waits == [2.0**n for n in range(1, MOST_WRONG + 1)]
    assert codes.current() is None
    assert codes.tried(right)[0] is False
    fresh = codes.fresh()
    now[0] += LIVES + 1
    assert codes.current() is None
    assert codes.tried(fresh)[0] is False


def test_a_phone_that_asks_nonsense_is_told_so(app):
    answer = Phone(app).ask("POST", "/api/pair/device", json={"name": "no code"})
    assert answer.status_code == 422
    assert answer.get_json()["error"]["key"].endswith("code")
