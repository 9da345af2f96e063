"""Noise, colour, meshes and picture writers for the scene scripts (numpy only)."""
import numpy as np, zlib, struct

rng0 = np.random.default_rng


# ---------- noise -------------------------------------------------------
def _h(ix, iy, iz, seed):
    n = (
        ix.astype(np.int64) * 374761393 + iy.astype(np.int64) * 668265263 + iz.astype(np.int64) * 2147483647 + seed * 1274126177
    ) & 0xFFFFFFFF
    n = ((n ^ (n >> 13)) * 1274126177) & 0xFFFFFFFF
    n = ((n ^ (n >> 16)) * 2246822519) & 0xFFFFFFFF
    return ((n ^ (n >> 15)) & 0xFFFFFF) / float(0x1000000)


def vnoise(x, y, z=0.0, seed=0):
    """value noise in [-1,1]"""
    x, y, z = np.broadcast_arrays(np.asarray(x, float), np.asarray(y, float), np.asarray(z, float))
    ix, iy, iz = np.floor(x).astype(np.int64), np.floor(y).astype(np.int64), np.floor(z).astype(np.int64)
    fx, fy, fz = x - ix, y - iy, z - iz
    s = lambda t: t * t * t * (t * (t * 6 - 15) + 10)
    u, v, w = s(fx), s(fy), s(fz)
    flat = not np.any(fz)

    def pl(k):
        a = _h(ix, iy, iz + k, seed)
        b = _h(ix + 1, iy, iz + k, seed)
        c = _h(ix, iy + 1, iz + k, seed)
        d = _h(ix + 1, iy + 1, iz + k, seed)
        return (a * (1 - u) + b * u) * (1 - v) + (c * (1 - u) + d * u) * v

    r = pl(0) if flat else pl(0) * (1 - w) + pl(1) * w
    return r * 2 - 1


def fbm(x, y, z=0.0, oct=5, gain=0.5, lac=2.03, seed=0):
    a = 1.0
    t = 0
    n = 0
    for o in range(oct):
        t = t + a * vnoise(
            np.asarray(x) * lac**o + 17.3 * o,
            np.asarray(y) * lac**o - 9.1 * o,
            np.asarray(z) * lac ** o if np.any(z) else 0.0,
            seed + o * 31,
        )
        n += a
        a *= gain
    return t / n


def smooth(a, b, x):
    t = np.clip((x - a) / (b - a), 0, 1)
    return t * t * (3 - 2 * t)


# ---------- colour -------------------------------------------------------
M_XYZ_TO_709 = np.array([[3.2404542, -1.5371385, -0.4985314], [-0.9692660, 1.8760108, 0.0415560], [0.0556434, -0.2040259, 1.0572252]])


def kelvin_rgb(T, lum=1.0):
    """linear Rec.709 of black body (<4000 K) / daylight locus, unit luminance"""
    if T < 4000:
        x = -0.2661239e9 / T**3 - 0.2343589e6 / T**2 + 0.8776956e3 / T + 0.179910
        y = (
            (-1.1063814 * x**3 - 1.34811020 * x**2 + 2.18555832 * x - 0.20219683)
            if T < 2222
            else (-0.9549476 * x**3 - 1.37418593 * x**2 + 2.09137015 * x - 0.16748867)
        )
    else:
        x = (
            (-4.6070e9 / T**3 + 2.9678e6 / T**2 + 0.09911e3 / T + 0.244063)
            if T <= 7000
            else (-2.0064e9 / T**3 + 1.9018e6 / T**2 + 0.24748e3 / T + 0.237040)
        )
        y = -3 * x * x + 2.87 * x - 0.275
    XYZ = np.array([x / y, 1, (1 - x - y) / y])
    rgb = np.maximum(M_XYZ_TO_709 @ XYZ, 0.001)
    return rgb * lum / (rgb @ [0.2126, 0.7152, 0.0722])


def srgb(r, g, b):
    c = np.array([r, g, b]) / 255.0
    return np.where(c <= 0.04045, c / 12.92, ((c + 0.055) / 1.055) ** 2.4)


# ---------- image writers ------------------------------------------------
def png16(fn, a):
    a = np.clip(np.asarray(a), 0, 1)
    a = (a * 65535 + 0.5).astype(">u2")
    h, w = a.shape[:2]
    ch = 1 if a.ndim == 2 else a.shape[2]
    raw = np.zeros((h, w * ch * 2 + 1), np.uint8)
    raw[:, 1:] = a.reshape(h, -1).view(np.uint8)

    def ck(t, d):
        return struct.pack(">I", len(d)) + t + d + struct.pack(">I", zlib.crc32(t + d))

    data = (
        b"\x89PNG\r\n\x1a\n"
        + ck(b"IHDR", struct.pack(">IIBBBBB", w, h, 16, {1: 0, 3: 2, 4: 6}[ch], 0, 0, 0))
        + ck(b"IDAT", zlib.compress(raw.tobytes(), 1))
        + ck(b"IEND", b"")
    )
    with open(fn, "wb") as f:
        f.write(data)


def hdr(fn, a):
    a = np.maximum(np.asarray(a, float), 0)
    m = a.max(2)
    e = np.ceil(np.log2(np.maximum(m, 1e-30)))
    s = np.where(m > 1e-30, 256 / 2.0**e, 0)
    o = np.zeros(a.shape[:2] + (4,), np.uint8)
    o[..., :3] = np.clip(a * s[..., None], 0, 255)
    o[..., 3] = np.where(m > 1e-30, e + 128, 0)
    with open(fn, "wb") as f:
        f.write(b"#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y %d +X %d\n" % a.shape[:2] + o.tobytes())


# ---------- mesh2 ---------------------------------------------------------
def normals(V, F):
    n = np.zeros_like(V)
    t = V[F]
    fn = np.cross(t[:, 1] - t[:, 0], t[:, 2] - t[:, 0])
    for k in range(3):
        np.add.at(n, F[:, k], fn)
    l = np.linalg.norm(n, axis=1)
    l[l == 0] = 1
    return n / l[:, None]


def _vl(a, f):
    fmt = "<" + ",".join([f] * a.shape[1]) + ">"
    return ",".join([fmt % tuple(r) for r in a.tolist()])


def mesh2(name, V, F, N=None, UV=None, inside=True):
    if N is None:
        N = normals(V, F)
    s = "#declare %s=mesh2{vertex_vectors{%d,%s}\nnormal_vectors{%d,%s}\n" % (name, len(V), _vl(V, "%.4f"), len(N), _vl(N, "%.4f"))
    if UV is not None:
        s += "uv_vectors{%d,%s}\n" % (len(UV), _vl(UV, "%.5f"))
    s += "face_indices{%d,%s}\n" % (len(F), _vl(F, "%d"))
    if UV is not None:
        s += "uv_indices{%d,%s}\n" % (len(F), _vl(F, "%d"))
    if inside:
        s += "inside_vector<0.1,1,0.05>\n"
    return s + "}\n"


def grid_faces(nu, nv):
    """(nv rows) x (nu cols) vertex grid -> tris"""
    i = np.arange(nv - 1)[:, None] * nu + np.arange(nu - 1)[None, :]
    i = i.ravel()
    return np.concatenate([np.stack([i, i + 1, i + nu + 1], 1), np.stack([i, i + nu + 1, i + nu], 1)])


def catmull(P, n):
    P = np.asarray(P, float)
    Q = np.vstack([2 * P[0] - P[1], P, 2 * P[-1] - P[-2]])
    out = []
    for i in range(1, len(Q) - 2):
        p0, p1, p2, p3 = Q[i - 1 : i + 3]
        d = lambda a, b: max(np.linalg.norm(b - a), 1e-6) ** 0.5
        t0 = 0
        t1 = t0 + d(p0, p1)
        t2 = t1 + d(p1, p2)
        t3 = t2 + d(p2, p3)
        t = np.linspace(t1, t2, 60, endpoint=False)[:, None]
        A1 = (t1 - t) / (t1 - t0) * p0 + (t - t0) / (t1 - t0) * p1
        A2 = (t2 - t) / (t2 - t1) * p1 + (t - t1) / (t2 - t1) * p2
        A3 = (t3 - t) / (t3 - t2) * p2 + (t - t2) / (t3 - t2) * p3
        B1 = (t2 - t) / (t2 - t0) * A1 + (t - t0) / (t2 - t0) * A2
        B2 = (t3 - t) / (t3 - t1) * A2 + (t - t1) / (t3 - t1) * A3
        out.append((t2 - t) / (t2 - t1) * B1 + (t - t1) / (t2 - t1) * B2)
    c = np.vstack(out + [P[-1:]])
    s = np.r_[0, np.cumsum(np.linalg.norm(np.diff(c, axis=0), axis=1))]
    u = np.linspace(0, s[-1], n)
    return np.stack([np.interp(u, s, c[:, k]) for k in range(c.shape[1])], 1)


def tube(path, rad, ns=20, npt=60, flat=1.0, up=(0, 0, 1)):
    """swept tube with elliptical section; rad per control pt"""
    P = catmull(np.c_[np.asarray(path, float), np.asarray(rad, float)[:, None]], npt)
    C = P[:, :3]
    R = P[:, 3]
    T = np.gradient(C, axis=0)
    T /= np.linalg.norm(T, axis=1)[:, None]
    U = np.array(up, float) - T * (T @ np.array(up, float))[:, None]
    U /= np.linalg.norm(U, axis=1)[:, None]
    W = np.cross(T, U)
    a = np.linspace(0, 2 * np.pi, ns + 1)
    V = C[:, None] + R[:, None, None] * (np.cos(a)[None, :, None] * U[:, None] * flat + np.sin(a)[None, :, None] * W[:, None])
    uv = np.stack(np.meshgrid(a / (2 * np.pi), np.linspace(0, 1, npt)), -1)
    return V.reshape(-1, 3), grid_faces(ns + 1, npt), uv.reshape(-1, 2)


def halton(i, b):
    f = 1.0
    r = 0.0
    while i > 0:
        f /= b
        r += f * (i % b)
        i //= b
    return r
