"""People beyond the focus: head, hair, neck and shoulders as distance fields, for plates that are blurred as a lens would."""
from geometry import *
from hand import cone, smin, surface_nets


def _grid(lo, hi, h):
    lo, hi = np.array(lo, float), np.array(hi, float)
    g = [np.arange(lo[k], hi[k], h) for k in range(3)]
    return np.stack(np.meshgrid(*g, indexing="ij"), -1).astype(np.float32), lo


def _ball(P, c, r):
    """An ellipsoid with half-axes r, to first order a distance."""
    r = np.array(r, float)
    q = (P - np.array(c, float)) / r
    k = np.linalg.norm(q, axis=-1)
    return (k - 1) * r.min()


def _write(out, name, D, lo, h):
    V, F = surface_nets(D.astype(np.float64), lo, h)
    with open("%s/%s.inc" % (out, name), "w") as f:
        f.write(mesh2("M_" + name, V, F))


def figure(out, name, hair, seed, h=0.42):
    """Centimetres, the head's centre at the origin, facing +z. hair: 'bun', 'short' or 'long'."""
    P, lo = _grid((-30, -62, -22), (30, 19, 22), h)
    x, y, z = P[..., 0], P[..., 1], P[..., 2]
    skull = smin(_ball(P, (0, 1.2, -1.2), (7.5, 9.2, 9.3)), _ball(P, (0, -3.8, 2.6), (5.7, 8.0, 6.2)), 2.6)
    skull = smin(skull, _ball(P, (0, -1.6, 9.2), (1.2, 2.2, 1.7)), 1.2)  # nose
    skull = smin(skull, _ball(P, (0, -9.6, 6.4), (2.2, 1.8, 1.9)), 1.6)  # chin
    for side in (-1, 1):
        skull = smin(skull, _ball(P, (side * 7.5, -1.3, -0.6), (1.0, 3.1, 1.9)), 0.5)  # ear
    neck = cone(P, (0, -5, -2.2), (0, -18.5, -3.2), 5.0, 5.8)
    neck = smin(neck, cone(P, (0, -16, -3.6), (13, -21.5, -3.4), 4.2, 3.0), 4.0)
    neck = smin(neck, cone(P, (0, -16, -3.6), (-13, -21.5, -3.4), 4.2, 3.0), 4.0)
    _write(out, name + "_skin", smin(skull, neck, 1.8), lo, h)

    top = smin(cone(P, (-14, -23.2, -3), (14, -23.2, -3), 5.6, 5.6), _ball(P, (0, -44, -2), (17.5, 25, 10.5)), 6.0)
    for side in (-1, 1):
        top = smin(top, cone(P, (side * 17.5, -26, -3), (side * 22.5, -48, -1), 5.6, 4.9), 3.0)
        top = smin(top, cone(P, (side * 22.5, -48, -1), (side * 19, -64, 10), 4.9, 4.3), 2.0)
    top = smin(top, cone(P, (-7, -18.6, -3.4), (7, -18.6, -3.4), 3.4, 3.4), 5.0)
    top = np.maximum(top, -(cone(P, (0, -10, -3), (0, -16.4, -2.6), 6.6, 6.2)))
    folds = 0.55 * vnoise(x * 0.16 + 0.1 * y, y * 0.07, z * 0.16, seed=seed) + 0.30 * vnoise(x * 0.34, y * 0.16, z * 0.34, seed=seed + 1)
    strap = np.exp(-(((np.abs(x) - 9.5) / 1.5) ** 2)) * smooth(-20, -24, y) * 0.5  # apron straps
    _write(out, name + "_cloth", top - folds - strap, lo, h)

    cap = _ball(P, (0, 2.6, -1.9), (8.3, 9.4, 9.9))
    nape = dict(bun=-9.0, short=-8.0, long=-26.0)[hair]
    if hair == "long":
        cap = smin(cap, cone(P, (0, -2, -6.2), (0, -23, -8.0), 7.6, 5.8, ((0, 0, 1), 0.62)), 3.0)
    else:
        cap = smin(cap, _ball(P, (0, -3.5, -5.6), (6.5, 6.2, 5.2)), 2.0)
    face = np.maximum(z - 3.6 - 0.10 * (y - 2) - 0.03 * x * x, 0 * z) - 0.01
    cap = np.maximum(cap, np.where(y < 7.5, face, -1.0))
    cap = np.maximum(cap, nape - y)
    for side in (-1, 1):
        cap = np.maximum(cap, -_ball(P, (side * 8.0, -2.2, 0.4), (2.4, 3.6, 2.8)))
    if hair == "bun":
        cap = smin(cap, _ball(P, (0, 7.4, -11.0), (4.6, 4.4, 4.2)), 0.5)
    around = np.arctan2(x, -z)
    relief = 0.22 * vnoise(around * 11, y * 0.16, 0.3, seed=seed + 5) + 0.14 * vnoise(around * 30, y * 0.3, 0.3, seed=seed + 6)
    if hair == "short":
        relief = 0.28 * vnoise(x * 1.1, y * 1.1, z * 1.1, seed=seed + 5)
    _write(out, name + "_hair", cap - relief, lo, h)


# Who works at the pottery: skin (as in hand.SKIN), hair and its colour, the colour of the cloth.
PEOPLE = {
    "potter": dict(skin=2, hair="bun", hair_colour=(0.105, 0.056, 0.030), cloth=(0.50, 0.46, 0.38)),
    "glazer": dict(skin=4, hair="short", hair_colour=(0.030, 0.025, 0.022), cloth=(0.17, 0.19, 0.13)),
    "packer": dict(skin=1, hair="long", hair_colour=(0.42, 0.27, 0.12), cloth=(0.12, 0.17, 0.27)),
}


def people(out):
    for i, (name, who) in enumerate(PEOPLE.items()):
        figure(out, name, who["hair"], 7 * i + 3)


def disc_blur(rgba, radius):
    """Premultiplied RGBA seen out of focus: the mean over a disc of `radius` samples."""
    n = int(np.ceil(radius))
    pad = np.pad(rgba, [(n, n), (n, n), (0, 0)])
    h, w = rgba.shape[:2]
    sums = np.cumsum(np.pad(pad, [(0, 0), (1, 0), (0, 0)]), axis=1)
    total, area = np.zeros_like(rgba), 0
    for dy in range(-n, n + 1):
        half = int(np.floor(np.sqrt(max(radius * radius - dy * dy, 0)) + 0.5)) if abs(dy) <= radius else -1
        if half < 0:
            continue
        rows = sums[n + dy : n + dy + h]
        total += rows[:, n + half + 1 : n + half + 1 + w] - rows[:, n - half : n - half + w]
        area += 2 * half + 1
    return total / area
