"""A hand round a cup: a signed distance field meshed by surface nets, with skin colour tables."""
from geometry import *


# ---------------- hand (SDF -> surface nets) -----------------
def surface_nets(D, org, h):
    s = D < 0
    nx, ny, nz = D.shape
    c = np.zeros((nx - 1, ny - 1, nz - 1), np.int8)
    for i in (0, 1):
        for j in (0, 1):
            for k in (0, 1):
                c += s[i : nx - 1 + i, j : ny - 1 + j, k : nz - 1 + k]
    act = (c > 0) & (c < 8)
    I = np.argwhere(act)
    idx = -np.ones(act.shape, np.int64)
    idx[act] = np.arange(len(I))
    acc = np.zeros((len(I), 3))
    cnt = np.zeros(len(I))
    C = [(0, 0, 0), (1, 0, 0), (0, 1, 0), (1, 1, 0), (0, 0, 1), (1, 0, 1), (0, 1, 1), (1, 1, 1)]
    val = [D[I[:, 0] + a, I[:, 1] + b, I[:, 2] + e] for a, b, e in C]
    for a in range(8):
        for b in range(a + 1, 8):
            if sum(abs(p - q) for p, q in zip(C[a], C[b])) != 1:
                continue
            m = (val[a] < 0) != (val[b] < 0)
            t = np.where(m, val[a] / np.where(val[a] == val[b], 1, val[a] - val[b]), 0)
            pa, pb = np.array(C[a], float), np.array(C[b], float)
            acc += np.where(m[:, None], pa + t[:, None] * (pb - pa), 0)
            cnt += m
    V = (I + acc / cnt[:, None]) * h + org
    F = []
    for ax in range(3):
        sl0 = [slice(1, -1)] * 3
        a = [slice(None)] * 3
        b = [slice(None)] * 3
        a[ax] = slice(0, -1)
        b[ax] = slice(1, None)
        cr = s[tuple(a)] != s[tuple(b)]
        E = np.argwhere(cr)
        o1, o2 = [(1, 2), (2, 0), (0, 1)][ax]
        lim = np.array(act.shape)
        ok = (E[:, o1] > 0) & (E[:, o2] > 0) & (E[:, o1] < lim[o1]) & (E[:, o2] < lim[o2]) & (E[:, ax] < lim[ax])
        E = E[ok]
        q = []
        for d1, d2 in ((0, 0), (1, 0), (1, 1), (0, 1)):
            e = E.copy()
            e[:, o1] -= d1
            e[:, o2] -= d2
            q.append(idx[e[:, 0], e[:, 1], e[:, 2]])
        q = np.stack(q, 1)
        q = q[(q >= 0).all(1)]
        F.append(np.concatenate([q[:, [0, 1, 2]], q[:, [0, 2, 3]]]))
    return V, np.vstack(F)


def smin(a, b, k):
    h = np.clip(0.5 + 0.5 * (b - a) / k, 0, 1)
    return b * (1 - h) + a * h - k * h * (1 - h)


def cone(P, a, b, ra, rb, fl=None):
    a, b = np.array(a, float), np.array(b, float)
    ba = b - a
    t = np.clip(((P - a) @ ba) / (ba @ ba), 0, 1)
    c = P - a - t[..., None] * ba
    if fl is not None:  # anisotropic section: (axis, factor)
        ax = np.array(fl[0], float)
        ax /= np.linalg.norm(ax)
        q = c @ ax
        c = c + np.multiply.outer(q * (1 / fl[1] - 1), ax)
    return np.linalg.norm(c, axis=-1) - (ra + (rb - ra) * t)


def hand(out, name="hand", Rc=4.25, h=0.15):
    pol = lambda r, deg, y: np.array([r * np.cos(np.radians(deg)), y, r * np.sin(np.radians(deg))])
    org = np.array([-4.5, 0.25, -9.5])
    dim = ((np.array([38.5, 11.5, 9.0]) - org) / h).astype(int)
    g = [org[k] + h * np.arange(dim[k]) for k in range(3)]
    P = np.stack(np.meshgrid(*g, indexing="ij"), -1).astype(np.float32)
    wr = np.array([15.2, 4.9, 0.6])
    fingers = []
    # y at mcp, pip, dip, tip ; radii
    spec = [
        (7.55, 7.35, 7.15, 7.0, 0.98, 0.86, 0.76, 0.62, 0, 0.0),
        (5.75, 5.75, 5.55, 5.4, 1.0, 0.90, 0.80, 0.64, -4, 0.35),
        (3.95, 4.10, 3.95, 3.85, 0.95, 0.86, 0.76, 0.62, -1, 0.15),
        (2.35, 2.60, 2.45, 2.35, 0.82, 0.72, 0.63, 0.52, 8, -0.1),
    ]
    for y0, y1, y2, y3, r0, r1, r2, r3, dphi, ext in spec:
        A = pol(Rc + 2.35 + ext, -24 + dphi, y0)
        B = pol(Rc + 1.50 + r1 * 0.2, -62 + dphi * 1.4, y1)
        C = pol(Rc + 0.20 + r2, -94 + dphi * 1.8, y2)
        T = pol(Rc + 0.02 + r3, -114 + dphi * 2.2, y3)
        fingers.append((A, B, C, T, r0, r1, r2, r3))
    D = None
    for A, B, C, T, r0, r1, r2, r3 in fingers:
        d = cone(P, A, B, r0, r1 * 0.96)
        d = smin(d, cone(P, B, C, r1 * 0.97, r2), 0.18)
        d = smin(d, cone(P, C, T, r2 * 1.0, r3), 0.15)
        d = smin(d, np.linalg.norm(P - B, axis=-1) - r1 * 1.06, 0.25)
        n = (C + T) / 2
        d = smin(d, np.linalg.norm(P - (C * 0.35 + T * 0.65), axis=-1) - r2 * 0.92, 0.3)
        D = d if D is None else smin(D, d, 0.14)
    palm = None
    for i, (A, B, C, T, r0, r1, r2, r3) in enumerate(fingers):
        w = wr + np.array([-1.6, (1.5 - i) * 0.85, 0.15])
        m = A + (w - A) * 0.0
        d = cone(P, m, w, r0 * 1.03, 1.25)
        d = smin(d, np.linalg.norm(P - (A + np.array([0.15, 0.05, -0.30])), axis=-1) - r0 * 0.95, 0.4)
        palm = d if palm is None else smin(palm, d, 0.75)
    # palm meat on the far side (heel, thenar)
    palm = smin(palm, cone(P, [7.8, 4.9, 0.9], [13.2, 4.8, 1.4], 1.5, 1.6, ((0, 1, 0), 1.9)), 0.9)
    # thumb, going behind the cup
    th = [np.array([13.0, 6.6, 1.9]), np.array([9.2, 8.3, 3.2]), np.array([5.9, 9.05, 4.9]), np.array([3.3, 8.9, 5.5])]
    t = cone(P, th[0], th[1], 1.65, 1.18)
    t = smin(t, cone(P, th[1], th[2], 1.10, 0.96), 0.3)
    t = smin(t, cone(P, th[2], th[3], 0.96, 0.74), 0.2)
    palm = smin(palm, t, 0.9)
    el = np.array([40.0, 6.6, 5.0])
    arm = cone(P, wr, el, 2.05, 3.6, ((0, 1, 0), 1.33))
    arm = smin(arm, cone(P, wr + np.array([4, 0.6, 0.2]), el + np.array([0, 0.5, 0]), 2.0, 3.3), 1.5)
    ul = wr + np.array([1.0, -1.3, -1.25])
    arm = smin(arm, np.linalg.norm(P - ul, axis=-1) - 0.95, 0.9)  # ulna head
    palm = smin(palm, arm, 1.3)
    D = smin(D, palm, 0.42)
    D = D.astype(np.float64)
    # tendons + creases + nail relief, as displacement near the surface
    near = np.abs(D) < 0.6
    Q = P[near].astype(float)
    disp = np.zeros(len(Q))
    red = np.zeros(len(Q))
    nail = np.zeros(len(Q))

    def segd(a, b, q):
        ba = b - a
        tt = np.clip(((q - a) @ ba) / (ba @ ba), 0, 1)
        return np.linalg.norm(q - a - tt[:, None] * ba, axis=1), tt

    info = []
    for i, (A, B, C, T, r0, r1, r2, r3) in enumerate(fingers):
        kn = A + np.array([0.2, 0.1, -0.8])
        e = wr + np.array([-0.6, (1.5 - i) * 0.7, -1.6])
        d, tt = segd(kn, e, Q)
        disp += 0.11 * np.exp(-((d / 0.30) ** 2)) * (1 - 0.6 * tt)
        for J, rr, o in ((B, r1, 1.0), (C, r2, 0.7)):
            outw = J * np.array([1, 0, 1])
            outw /= np.linalg.norm(outw)
            ax = T - A
            ax = np.cross(outw, [0, 1, 0])
            loc = Q - (J + outw * rr * 0.8)
            al = loc @ ax
            rad = np.linalg.norm(loc - np.outer(al, ax), axis=1)
            wv = sum(
                np.exp(-(((al - c + 0.10 * np.sin(loc[:, 1] * 4 + c * 9)) / 0.055) ** 2)) * k
                for c, k in ((-0.30, 0.7), (-0.12, 1), (0.07, 0.9), (0.25, 0.8), (0.40, 0.4))
            )
            disp -= 0.030 * o * wv * np.exp(-((rad / 0.62) ** 2))
        # nail frame
        ax = (T - C) / np.linalg.norm(T - C)
        outw = T * np.array([1, 0, 1])
        outw /= np.linalg.norm(outw)
        outw = outw - ax * (outw @ ax)
        outw /= np.linalg.norm(outw)
        side = np.cross(ax, outw)
        cN = C * 0.22 + T * 0.78 + ax * 0.10
        hw = r3 * 0.80
        hl = r3 * 1.05
        loc = Q - cN
        a = loc @ ax
        sd = loc @ side
        ou = loc @ outw
        e = (np.abs(sd) / hw) ** 3 + (np.abs(a - 0.05) / hl) ** np.where(a > 0, 2.2, 3.0)
        inn = smooth(1.05, 0.90, e) * (ou > 0.15)
        groove = np.exp(-(((e - 1.10) / 0.16) ** 2)) * (ou > 0.15) * (a < hl * 0.75)
        disp += 0.035 * inn - 0.05 * groove
        nail = np.maximum(nail, inn)
        info.append((cN, ax, side, outw, hl, hw))
    disp += 0.012 * fbm(Q[:, 0] * 2.6, Q[:, 1] * 2.6, Q[:, 2] * 2.6, 3, seed=4)
    # veins on the back of the hand
    for a, b in (((8.2, 6.4, -3.6), (14.5, 5.6, -1.6)), ((9.5, 4.5, -3.4), (15.5, 4.3, -1.6)), ((10.5, 5.6, -3.0), (13.0, 4.2, -2.6))):
        w = Q + 0.35 * np.stack([vnoise(Q[:, 0] * 0.6, Q[:, 1] * 0.6, Q[:, 2] * 0.6, seed=k) for k in (5, 6, 7)], 1)
        d, _ = segd(np.array(a), np.array(b), w)
        disp += 0.07 * np.exp(-((d / 0.26) ** 2))
    D[near] -= disp
    V, F = surface_nets(D, org, h)
    # light Laplacian smoothing is avoided; normals from SDF gradient
    G = np.stack(np.gradient(D, h), -1)
    I = np.clip(((V - org) / h), 0, np.array(D.shape) - 1.001)
    i0 = I.astype(int)
    f = I - i0
    N = 0
    for a in (0, 1):
        for b in (0, 1):
            for c in (0, 1):
                w = (f[:, 0] if a else 1 - f[:, 0]) * (f[:, 1] if b else 1 - f[:, 1]) * (f[:, 2] if c else 1 - f[:, 2])
                N = N + w[:, None] * G[i0[:, 0] + a, i0[:, 1] + b, i0[:, 2] + c]
    N /= np.linalg.norm(N, axis=1)[:, None] + 1e-9
    # vertex attributes -> uv of a colour LUT: u redness, v nail
    red = (
        0.22
        + 0.15 * fbm(V[:, 0] * 0.5, V[:, 1] * 0.5, V[:, 2] * 0.5, 3, seed=8)
        + 0.10 * fbm(V[:, 0] * 2.5, V[:, 1] * 2.5, V[:, 2] * 2.5, 2, seed=9)
    )
    nail = np.zeros(len(V))
    for (A, B, C, T, r0, r1, r2, r3), (cN, ax, side, outw, hl, hw) in zip(fingers, info):
        for J, s, k in ((A, 1.1, 0.38), (B, 0.8, 0.50), (C, 0.6, 0.35), (T, 0.85, 0.55)):
            red += k * np.exp(-((np.linalg.norm(V - J, axis=1) / s / 1.25) ** 2))
        loc = V - cN
        a = loc @ ax
        sd = loc @ side
        ou = loc @ outw
        e = (np.abs(sd) / hw) ** 3 + (np.abs(a - 0.05) / hl) ** np.where(a > 0, 2.2, 3.0)
        nail = np.maximum(nail, smooth(1.08, 0.92, e) * (ou > 0.15) * (0.8 + 0.2 * smooth(0.5, 0.75, a / hl)))
    UV = np.stack([np.clip(red, 0.01, 0.99), 0.02 + 0.96 * np.clip(nail, 0, 1)], 1)
    open(out + "/%s.inc" % name, "w").write(mesh2("M_" + name, V, F, N, UV))
    print("hand verts", len(V))


def sleeve(out):
    """A rolled linen sleeve over the forearm of `hand`, from its middle outward."""
    V, F, UV = tube([(22.5, 5.55, 2.0), (23.2, 5.6, 2.1), (25, 5.7, 2.4), (29, 5.9, 3.0), (34, 6.2, 3.9), (42, 6.7, 5.3)], [3.5, 4.05, 4.0, 4.25, 4.7, 5.3], ns=90, npt=120, flat=1.22, up=(0, 1, 0))
    N = normals(V, F)
    along, around = UV[:, 1], UV[:, 0] * 2 * np.pi
    fold = 0.30 * vnoise(along * 9 + 0.6 * np.sin(around + 1), np.cos(around) * 1.1, np.sin(around) * 1.1, seed=51)
    fold += 0.14 * vnoise(along * 21, np.cos(around) * 2.3, np.sin(around) * 2.3, seed=52)
    fold += 0.16 * smooth(0.10, 0.085, along)  # the turned-up cuff
    sign = np.sign((N * (V - V.mean(0))).sum(1).mean())
    V = V + sign * N * fold[:, None]
    open(out + "/sleeve.inc", "w").write(mesh2("M_sleeve", V, F, sign * normals(V, F), np.stack([around / 2 / np.pi * 2.4, along * 1.8], 1), inside=False))


SKIN = {
    1: ((232, 196, 172), (226, 150, 130)),
    2: ((206, 160, 126), (190, 112, 88)),
    3: ((158, 110, 78), (132, 74, 54)),
    4: ((104, 70, 52), (92, 52, 42)),
}


def skin_luts(out):
    for k, (c0, c1) in SKIN.items():
        a, b = srgb(*c0), srgb(*c1)
        u, v = np.meshgrid(np.linspace(0, 1, 64), np.linspace(0, 1, 64))
        t = u[..., None]
        c = a * (1 - t) + b * t
        nb = a * 0.72 + np.array([0.60, 0.36, 0.30]) * 0.28 * (0.4 + 0.6 * a[0] / 0.8)
        v = v[..., None]
        tip = smooth(0.86, 0.95, v)
        n = nb * (1 - tip) + (a * 0.5 + np.array([0.80, 0.72, 0.62]) * 0.28) * tip
        w = smooth(0.35, 0.65, v)
        png16(out + "/skin%d.png" % k, (c * (1 - w) + n * w)[::-1])
