"""Out-of-focus backgrounds painted as light: discs of leaf and hill colour, as a lens would spread them."""
from geometry import *


def _blur(a, spread):
    """Gaussian blur along both axes by repeated box filters; edges repeat."""
    n = max(1, int(round(spread * 1.2)))
    for axis in (0, 1):
        for _ in range(3):
            pad = [(0, 0)] * a.ndim
            pad[axis] = (n + 1, n)
            c = np.cumsum(np.pad(a, pad, mode="edge"), axis=axis)
            hi = np.take(c, range(2 * n + 1, c.shape[axis]), axis=axis)
            lo = np.take(c, range(0, c.shape[axis] - 2 * n - 1), axis=axis)
            a = (hi - lo) / (2 * n + 1)
    return a


def foliage(path, seed, width=1400, height=800, bright=1.0):
    """A hedge far behind the focus: soft discs, lit from above, darker toward the ground."""
    r = rng0(seed)
    y, x = np.mgrid[0:height, 0:width].astype(float)
    im = np.zeros((height, width, 3)) + srgb(42, 58, 34)
    base = fbm(x / 210, y / 170, 0.0, 4, seed=seed)
    im *= (1 + 0.75 * base)[..., None] * (0.55 + 0.75 * (1 - y / height))[..., None]
    leaves = [(74, 104, 46), (104, 134, 62), (58, 88, 50), (134, 150, 74), (88, 116, 44), (70, 96, 66), (156, 160, 92)]
    for i in range(1500):
        cx, cy = r.uniform(0, width), r.uniform(0, height) ** 0.96
        rad = r.uniform(9, 34)
        c = srgb(*leaves[r.integers(len(leaves))]) * r.uniform(0.5, 1.5) * (0.5 + 0.8 * (1 - cy / height))
        x0, x1, y0, y1 = int(max(0, cx - rad - 3)), int(min(width, cx + rad + 3)), int(max(0, cy - rad - 3)), int(min(height, cy + rad + 3))
        if x1 <= x0 or y1 <= y0:
            continue
        d = np.hypot(x[y0:y1, x0:x1] - cx, y[y0:y1, x0:x1] - cy) / rad
        m = (smooth(1.04, 0.92, d) * r.uniform(0.12, 0.42))[..., None]
        im[y0:y1, x0:x1] = im[y0:y1, x0:x1] * (1 - m) + c * m
    im = _blur(im, 5)
    png16(path, np.clip(im * bright, 0, 1))


def hills(path, seed, zenith, horizon, width=1800, height=430):
    """Evening sky over soft ridges: values are relative; the scene scales them to its light."""
    y, x = np.mgrid[0:height, 0:width].astype(float)
    v = y / height
    t = smooth(0.26, 0.70, v)[..., None]
    im = np.array(zenith) * (1 - t) + np.array(horizon) * t
    band = smooth(0.10, 0.0, np.abs(v - 0.47 - 0.03 * fbm(x / 420, y / 43, 0.0, 3, seed=seed)))
    cloud = np.clip(fbm(x / 330, y / 17, 0.0, 5, seed=seed + 2) * 1.6, 0, 1) * band
    im = im * (1 - 0.45 * cloud[..., None]) + np.array([1.0, 0.50, 0.26]) * horizon[0] * 0.55 * cloud[..., None]
    for k in range(5):
        top = (
            0.66
            + 0.055 * k
            + 0.055 * vnoise(x / (620 - 60 * k), 3.1 * k, seed=seed + 9 * k)
            + 0.012 * vnoise(x / 120, 1.7 * k, seed=seed + k)
        )
        far = 1 - k / 5.0
        c = (np.array(horizon) * 0.26 + np.array(zenith) * 0.55) * far + np.array([0.050, 0.060, 0.045]) * (1 - far)
        m = smooth(-0.006 - 0.004 * k, 0.006 + 0.004 * k, v - top)[..., None]
        im = im * (1 - m) + c * m
    r = rng0(seed)
    im = _blur(im, 2.5)
    for _ in range(26):  # lights of far houses, spread to discs
        cx, cy, rad = r.uniform(0, width), height * r.uniform(0.80, 0.93), r.uniform(6, 11)
        m = (smooth(1.05, 0.9, np.hypot(x - cx, y - cy) / rad) * r.uniform(0.25, 0.8))[..., None]
        im = im * (1 - m) + np.array([0.95, 0.56, 0.22]) * 0.8 * m
    png16(path, np.clip(im, 0, 1))
