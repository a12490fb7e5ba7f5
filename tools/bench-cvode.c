/*
 * The stiff circuits of bench-engine.mjs, the same equations, by CVODE of SUNDIALS (Hindmarsh et al., ACM TOMS 31, 2005): BDF,
 * dense Jacobian by differences. Prints the mean milliseconds of a run, then time and watched voltage of each step.
 *
 * Usage: bench-cvode CIRCUIT RELATIVE ABSOLUTE
 */
#include <cvode/cvode.h>
#include <math.h>
#include <nvector/nvector_serial.h>
#include <stdio.h>
#include <stdlib.h>
#include <sundials/sundials_context.h>
#include <sunlinsol/sunlinsol_dense.h>
#include <sunmatrix/sunmatrix_dense.h>
#include <time.h>

static const double pi = 3.14159265358979323846;
static double scale;

static double shockley(double v) { return 7e-9 * expm1(fmin(v / scale, 40)); }

static int coil(realtype t, N_Vector y, N_Vector d, void *unused) {
  double v = NV_Ith_S(y, 0), i = NV_Ith_S(y, 1);
  (void)unused;
  NV_Ith_S(d, 0) = ((12 * sin(200 * pi * t) - v) / 10 - i + shockley(-v)) / 1e-7;
  NV_Ith_S(d, 1) = (v - 50 * i) / 0.05;
  return 0;
}

static int line(realtype t, N_Vector y, N_Vector d, void *unused) {
  double a = NV_Ith_S(y, 0), b = NV_Ith_S(y, 1), e = NV_Ith_S(y, 2);
  double i = shockley(a - b);
  (void)unused;
  NV_Ith_S(d, 0) = ((8 * sin(20 * pi * t) - a) / 100 - i) / 1e-9;
  NV_Ith_S(d, 1) = (i - b / 10e3 - (b - e) / 100e3) / 1e-9;
  NV_Ith_S(d, 2) = (b - e) / 100e3 / 1e-6;
  return 0;
}

static int filter(realtype t, N_Vector y, N_Vector d, void *unused) {
  double a = NV_Ith_S(y, 0), b = NV_Ith_S(y, 1), e = NV_Ith_S(y, 2);
  (void)t;
  (void)unused;
  NV_Ith_S(d, 0) = ((12 - a) / 1 - (a - b) / 100) / 1e-7;
  NV_Ith_S(d, 1) = ((a - b) / 100 - (b - e) / 1e4) / 1e-5;
  NV_Ith_S(d, 2) = (b - e) / 1e4 / 1e-5;
  return 0;
}

static const struct {
  CVRhsFn f;
  int size, watch;
  double until;
} circuits[] = {{coil, 2, 0, 0.05}, {line, 3, 2, 0.3}, {filter, 3, 2, 0.5}};

/* One run; its course is printed where asked for. */
static void integrate(int k, double relative, double absolute, int tells) {
  SUNContext context;
  SUNContext_Create(NULL, &context);
  N_Vector y = N_VNew_Serial(circuits[k].size, context);
  SUNMatrix matrix = SUNDenseMatrix(circuits[k].size, circuits[k].size, context);
  SUNLinearSolver solver = SUNLinSol_Dense(y, matrix, context);
  void *cvode = CVodeCreate(CV_BDF, context);
  realtype t = 0;
  N_VConst(0, y);
  if (CVodeInit(cvode, circuits[k].f, 0, y) || CVodeSStolerances(cvode, relative, absolute) ||
      CVodeSetLinearSolver(cvode, solver, matrix) || CVodeSetMaxNumSteps(cvode, 10000000) ||
      CVodeSetStopTime(cvode, circuits[k].until))
    exit(1);
  while (t < circuits[k].until) {
    if (CVode(cvode, circuits[k].until, y, &t, CV_ONE_STEP) < 0) exit(1);
    if (tells) printf("%.17g %.17g\n", t, NV_Ith_S(y, circuits[k].watch));
  }
  CVodeFree(&cvode);
  SUNLinSolFree(solver);
  SUNMatDestroy(matrix);
  N_VDestroy(y);
  SUNContext_Free(&context);
}

int main(int count, char **words) {
  struct timespec from, to;
  if (count != 4) return 2;
  int k = atoi(words[1]), runs = 20;
  double relative = atof(words[2]), absolute = atof(words[3]);
  scale = 1.8 * 1.380649e-23 * 298.15 / 1.602176634e-19;
  integrate(k, relative, absolute, 0);
  clock_gettime(CLOCK_MONOTONIC, &from);
  for (int i = 0; i < runs; i++) integrate(k, relative, absolute, 0);
  clock_gettime(CLOCK_MONOTONIC, &to);
  printf("%g\n", ((to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6) / runs);
  integrate(k, relative, absolute, 1);
  return 0;
}
