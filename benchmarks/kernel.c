/* The equations of a run in plain C, as feder/core/benches/prove/kernel.py has them: what its speed is held against. */
#define G 9.80665
static double at(const double *t, int n, double x) {
  int i = (int)x;
  if (x < 0) i = 0;
  else if (i > n - 2) i = n - 2;
  return t[i] + (t[i + 1] - t[i]) * (x - i);
}
/* wheels: x y unsprung rate damping friction slips behind side rest; tables n by wheel; state of 14 */
static void slopes(double t, const double *s, double *d, double *r, const double *body, const double *w, const double *ax,
                   const double *f, const double *q, const double *c, int nt, int nv, const double *g, const double *road, int nr) {
  double lift = -body[0] * G, turn = 0, lean = 0;
  for (int a = 0; a < 2; a++) {
    int o = 2 * a;
    double base = ax[4 * a], bar = ax[4 * a + 1], z[2], v[2], p[2], e[2];
    for (int k = 0; k < 2; k++) {
      const double *u = w + 10 * (o + k);
      z[k] = s[3 + o + k] - (s[0] + u[0] * s[1] + u[1] * s[2]);
      v[k] = s[10 + o + k] - (s[7] + u[0] * s[8] + u[1] * s[9]);
    }
    for (int k = 0; k < 2; k++) {
      const double *u = w + 10 * (o + k);
      double zs = 0.5 * ((1 + base) * z[k] + (1 - base) * z[1 - k]), vs = 0.5 * ((1 + base) * v[k] + (1 - base) * v[1 - k]);
      double x = (zs - g[0]) / g[1], m = at(q + nt * (o + k), nt, x), y = vs / u[6];
      double damped = at(c + nv * (o + k), nv, (m * vs - g[2]) / g[3]);
      p[k] = at(f + nt * (o + k), nt, x) + damped * m + u[5] * (y > 1 ? 1 : y < -1 ? -1 : y);
      r[8 * (o + k) + 2] = z[k]; r[8 * (o + k) + 3] = m * vs; r[8 * (o + k) + 4] = damped;
    }
    for (int k = 0; k < 2; k++) {
      const double *u = w + 10 * (o + k);
      double push = 0.5 * ((1 + base) * p[k] + (1 - base) * p[1 - k]) + bar * (z[k] - z[1 - k]);
      double x = (g[4] * t - u[7]) / g[5], h = 0, rise = 0, tyre = 0;
      const double *profile = road + (u[8] > 0.5 ? nr : 0);
      if (x > 0) {
        if (x >= nr - 1) h = profile[nr - 1];
        else { int j = (int)x; double step = profile[j + 1] - profile[j]; h = profile[j] + step * (x - j); rise = step / g[5] * g[4]; }
      }
      double squash = u[9] + h - s[3 + o + k];
      if (squash > 0) { tyre = u[3] * squash + u[4] * (rise - s[10 + o + k]); if (tyre < 0) tyre = 0; }
      e[k] = tyre - push - u[2] * G;
      r[8 * (o + k)] = s[3 + o + k]; r[8 * (o + k) + 1] = h; r[8 * (o + k) + 5] = tyre; r[8 * (o + k) + 6] = squash;
      lift += push; turn += u[0] * push; lean += u[1] * push;
    }
    for (int k = 0; k < 2; k++) d[10 + o + k] = ax[4 * a + 2] * e[k] + ax[4 * a + 3] * e[1 - k];
  }
  for (int j = 0; j < 7; j++) d[j] = s[7 + j];
  d[7] = lift / body[0]; d[8] = turn / body[1]; d[9] = lean / body[2];
}
void march(int count, double h, const double *body, const double *w, const double *ax, const double *f, const double *q,
           const double *c, int nt, int nv, const double *g, const double *road, int nr, double *out) {
  double s[14] = {0}, y[14], a[14], b[14], k[14], d[14], r[32] = {0};
#define SLOPES(T, S, D) slopes(T, S, D, r, body, w, ax, f, q, c, nt, nv, g, road, nr)
  for (int n = 0; n < count; n++) {
    double t = n * h;
    SLOPES(t, s, a);
    for (int j = 0; j < 3; j++) { out[38 * n + j] = s[j]; out[38 * n + 3 + j] = a[7 + j]; }
    for (int j = 0; j < 32; j++) out[38 * n + 6 + j] = r[j];
    for (int j = 0; j < 14; j++) y[j] = s[j] + 0.5 * h * a[j];
    SLOPES(t + 0.5 * h, y, b);
    for (int j = 0; j < 14; j++) y[j] = s[j] + 0.5 * h * b[j];
    SLOPES(t + 0.5 * h, y, k);
    for (int j = 0; j < 14; j++) y[j] = s[j] + h * k[j];
    SLOPES(t + h, y, d);
    for (int j = 0; j < 14; j++) s[j] += h / 6 * (a[j] + 2 * b[j] + 2 * k[j] + d[j]);
  }
}
