/*
 * Preloaded into a server under test: lets system calls on its database fail, as a full or a failing disk does.
 *
 * The file named by YUREI_FAULTS says which: "ID ERRNO FIRST LAST". Calls are counted from when an ID is first seen;
 * those from FIRST to LAST fail with ERRNO. A file "….hit" is made when one has. Without the file nothing fails.
 */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/types.h>
#include <unistd.h>

static long seen = -1, calls = 0;

static int ours(int fd) {
  char link[64], path[4096];
  snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
  ssize_t n = readlink(link, path, sizeof path - 1);
  if (n <= 0) return 0;
  path[n] = 0;
  return strstr(path, "yurei.sqlite") != NULL;
}

/* The errno with which this call is to fail; 0 when it is not. A full disk can be read. */
static int fault(int fd, int reads) {
  const char *control = getenv("YUREI_FAULTS");
  if (!control) return 0;
  FILE *file = fopen(control, "re");
  if (!file) return 0;
  long id = 0, error = 0, first = 0, last = -1;
  int read = fscanf(file, "%ld %ld %ld %ld", &id, &error, &first, &last);
  fclose(file);
  if (read != 4 || !ours(fd) || (reads && error == ENOSPC)) return 0;
  if (id != seen) seen = id, calls = 0;
  long call = calls++;
  if (call < first || call > last) return 0;
  char hit[4096];
  snprintf(hit, sizeof hit, "%s.hit", control);
  FILE *mark = fopen(hit, "we");
  if (mark) fclose(mark);
  return (int)error;
}

#define NEXT(name) ((__typeof__(&name))dlsym(RTLD_NEXT, #name))
#define FAIL(fd, reads) do { int e = fault(fd, reads); if (e) { errno = e; return -1; } } while (0)

ssize_t pwrite(int fd, const void *b, size_t n, off_t o) { FAIL(fd, 0); return NEXT(pwrite)(fd, b, n, o); }
ssize_t pwrite64(int fd, const void *b, size_t n, off64_t o) { FAIL(fd, 0); return NEXT(pwrite64)(fd, b, n, o); }
ssize_t write(int fd, const void *b, size_t n) { FAIL(fd, 0); return NEXT(write)(fd, b, n); }
int fsync(int fd) { FAIL(fd, 0); return NEXT(fsync)(fd); }
int fdatasync(int fd) { FAIL(fd, 0); return NEXT(fdatasync)(fd); }
int ftruncate(int fd, off_t n) { FAIL(fd, 0); return NEXT(ftruncate)(fd, n); }
int ftruncate64(int fd, off64_t n) { FAIL(fd, 0); return NEXT(ftruncate64)(fd, n); }
ssize_t pread(int fd, void *b, size_t n, off_t o) { FAIL(fd, 1); return NEXT(pread)(fd, b, n, o); }
ssize_t pread64(int fd, void *b, size_t n, off64_t o) { FAIL(fd, 1); return NEXT(pread64)(fd, b, n, o); }
