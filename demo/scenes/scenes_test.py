#!/usr/bin/python3
"""What the scenes stand on: closed surfaces, known numbers, light that is neither made nor lost, a card where it is said to be."""
import os, sys, tempfile, unittest, zlib
import numpy as np

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
import card, figure, geometry, hand, render, sky


class Surfaces(unittest.TestCase):
    def test_a_meshed_ball_is_closed_outward_and_round(self):
        h, r = 0.25, 3.0
        g = np.arange(-4, 4, h)
        P = np.stack(np.meshgrid(g, g, g, indexing="ij"), -1)
        V, F = hand.surface_nets(np.linalg.norm(P, axis=-1) - r, np.array([-4.0] * 3), h)
        self.assertLess(np.abs(np.linalg.norm(V, axis=1) - r).max(), 0.1 * h)
        edges = np.sort(np.concatenate([F[:, [0, 1]], F[:, [1, 2]], F[:, [2, 0]]]), axis=1)
        self.assertTrue((np.unique(edges, axis=0, return_counts=True)[1] == 2).all(), "every edge lies between two faces")

    def test_smooth_union_is_below_both_and_equal_far_away(self):
        a, b = np.array([1.0, 0.1, 5.0]), np.array([1.0, 4.0, 0.2])
        s = hand.smin(a, b, 0.5)
        self.assertTrue((s <= np.minimum(a, b) + 1e-12).all())
        np.testing.assert_allclose(s[1:], np.minimum(a, b)[1:])

    def test_a_curve_passes_its_points_at_even_steps(self):
        points = [(0, 0, 0), (1, 2, 0), (3, 3, 1), (6, 1, 2)]
        c = geometry.catmull(points, 400)
        for p in points:
            self.assertLess(np.linalg.norm(c - np.array(p), axis=1).min(), 0.02)
        steps = np.linalg.norm(np.diff(c, axis=0), axis=1)
        self.assertLess(steps.std() / steps.mean(), 0.02)

    def test_a_tube_has_its_radius(self):
        V, F, UV = geometry.tube([(0, 0, 0), (5, 0, 0), (10, 0, 0)], [1.5, 1.5, 1.5], ns=24, npt=20)
        np.testing.assert_allclose(np.hypot(V[:, 1], V[:, 2]), 1.5, rtol=1e-6)
        self.assertEqual(F.max(), len(V) - 1)
        self.assertTrue((UV >= 0).all() and (UV <= 1).all())

    def test_noise_is_bounded_smooth_and_the_same_every_time(self):
        x = np.linspace(0, 20, 4001)
        n = geometry.fbm(x, 0.5 * x, 0.0, 4, seed=3)
        self.assertLessEqual(np.abs(n).max(), 1)
        self.assertLess(np.abs(np.diff(n)).max(), 0.2)
        np.testing.assert_array_equal(n, geometry.fbm(x, 0.5 * x, 0.0, 4, seed=3))
        self.assertGreater(np.abs(n - geometry.fbm(x, 0.5 * x, 0.0, 4, seed=4)).max(), 0.1)


class Colour(unittest.TestCase):
    def test_card_colours_are_the_published_ones(self):
        np.testing.assert_allclose(card.lab_to_linear(np.array([100.0, 0, 0])), 1, atol=1e-4)
        np.testing.assert_allclose(card.lab_to_linear(np.array([50.0, 0, 0])), 0.18418652, atol=1e-4)
        np.testing.assert_allclose(card.lab_to_linear(np.array([53.2408, 80.0925, 67.2032])), [1, 0, 0], atol=2e-3)  # sRGB red

    def test_every_patch_of_the_card_is_inside_srgb_and_on_the_card(self):
        face = card.read()
        self.assertEqual(len(face["patches"]), 26)
        for p in face["patches"]:
            c = card.lab_to_linear(p["lab"])
            self.assertTrue((c > 0).all() and (c < 1).all(), p["name"])
            self.assertTrue(p["r"] < p["x"] < face["size"][0] - p["r"] and p["r"] < p["y"] < face["size"][1] - p["r"], p["name"])

    def test_lights_have_unit_luminance_and_warm_ones_are_red(self):
        weights = np.array([0.2126, 0.7152, 0.0722])
        for kelvin in (2000, 2900, 5200, 7000, 12000):
            self.assertAlmostEqual(geometry.kelvin_rgb(kelvin) @ weights, 1, 6)
        self.assertGreater(geometry.kelvin_rgb(2900)[0], 3 * geometry.kelvin_rgb(2900)[2])
        np.testing.assert_allclose(geometry.kelvin_rgb(6504), 1, atol=0.02)

    def test_the_low_sun_is_red_and_the_sky_above_it_blue(self):
        low, sun, direction = sky.sky(7.0, 236.0, W=32, H=16, n=12)
        self.assertGreater(sun[0], 1.5 * sun[2])
        self.assertGreater(low[0, :, 2].mean(), low[0, :, 0].mean())
        self.assertAlmostEqual(np.linalg.norm(direction), 1, 9)


class Camera(unittest.TestCase):
    def test_defocus_neither_makes_nor_loses_light(self):
        plate = np.zeros((61, 71, 4))
        plate[30, 35] = [0.8, 0.4, 0.2, 1.0]
        blurred = figure.disc_blur(plate, 7.5)
        np.testing.assert_allclose(blurred.sum((0, 1)), plate.sum((0, 1)), rtol=1e-9)
        lit = np.argwhere(blurred[..., 3] > 0)
        self.assertLessEqual(np.hypot(*(lit - [30, 35]).T).max(), 8.5)
        np.testing.assert_allclose(figure.disc_blur(np.ones((40, 40, 4)), 4)[15:25, 15:25], 1)

    def test_the_card_is_seen_upright_near_where_it_stands(self):
        frame = dict(light="window", things=[("O_Card", 0, (0, 0, 0))])
        cam = dict(loc=(0, 6, -100), look=(0, 6, 0), hfov=33.0)
        seen = render.card_in_picture(frame, cam, 1500, 1000)
        (x0, y0), (x1, y1), (x2, y2), (x3, y3) = seen["marks"]
        self.assertTrue(x0 < x1 and y1 < y2 and x3 < x2 and y0 < y3)
        self.assertAlmostEqual((x0 + x1) / 2, 750, 0)
        self.assertAlmostEqual(x1 - x0, 16.2 / 100 * 1500 / (2 * np.tan(np.radians(16.5))), delta=9)  # the top leans away
        self.assertEqual(set(seen["patches"]), {p["name"] for p in card.read()["patches"]})
        self.assertIsNone(render.card_in_picture(dict(things=[]), cam, 1500, 1000))

    def test_a_rolled_camera_turns_the_picture(self):
        level = dict(loc=(0, 6, -100), look=(0, 6, 0), hfov=33.0)
        loc, d, right, up, w = render.axes(dict(level, roll=90))
        np.testing.assert_allclose(right, [0, 1, 0], atol=1e-12)
        for a, b in ((d, right), (d, up), (right, up)):
            self.assertAlmostEqual(a @ b, 0, 12)

    def test_low_discrepancy_numbers_are_the_known_ones(self):
        self.assertEqual([geometry.halton(i, 2) for i in range(1, 5)], [0.5, 0.25, 0.75, 0.125])
        self.assertAlmostEqual(geometry.halton(5, 3), 7 / 9)

    def test_every_frame_of_the_shoot_has_its_scene(self):
        import json
        with open(os.path.join(os.path.dirname(os.path.abspath(__file__)), "../shoot/shoot.json")) as f:
            shoot = json.load(f)
        for frame in shoot["frames"] + shoot["extras"]:
            self.assertIn(frame["render"], render.FRAMES)
            self.assertIn(frame["group"], shoot["groups"])
        self.assertEqual(set(render.FRAMES), {f["render"] for f in shoot["frames"] + shoot["extras"]})


class Files(unittest.TestCase):
    def test_sixteen_bit_png_holds_its_values(self):
        a = np.linspace(0, 1, 5 * 7 * 3).reshape(5, 7, 3)
        with tempfile.TemporaryDirectory() as folder:
            geometry.png16(folder + "/a.png", a)
            with open(folder + "/a.png", "rb") as f:
                data = f.read()
        start = data.index(b"IDAT")
        size = int.from_bytes(data[start - 4 : start], "big")
        rows = np.frombuffer(zlib.decompress(data[start + 4 : start + 4 + size]), np.uint8).reshape(5, -1)
        values = rows[:, 1:].copy().view(">u2").reshape(5, 7, 3) / 65535
        np.testing.assert_allclose(values, a, atol=0.5 / 65535 + 1e-9)


if __name__ == "__main__":
    unittest.main()
