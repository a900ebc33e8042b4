/*
 * Simulates the clock of one machine: PHP and nginx see a system clock that is shifted by the number of seconds in the file SOAK_CLOCK.
 * The monotonic clock is not shifted. Engines keep the real time, because their timed waits compare it with the kernel's.
 */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <stdint.h>
#include <stdlib.h>
#include <string.h>
#include <sys/mman.h>
#include <sys/time.h>
#include <time.h>
#include <unistd.h>

static const volatile int64_t *moved;

__attribute__((constructor)) static void find(void)
{
    const char *path = getenv("SOAK_CLOCK"), *name = program_invocation_short_name;
    if (path == NULL || (strncmp(name, "php", 3) != 0 && strcmp(name, "nginx") != 0))
        return;
    int file = open(path, O_RDONLY | O_CLOEXEC);
    void *seen = file < 0 ? MAP_FAILED : mmap(NULL, sizeof *moved, PROT_READ, MAP_SHARED, file, 0);
    if (file >= 0)
        close(file);
    if (seen != MAP_FAILED)
        moved = seen;
}

static int64_t by(void)
{
    return moved == NULL ? 0 : *moved;
}

int clock_gettime(clockid_t clock, struct timespec *to)
{
    static int (*real)(clockid_t, struct timespec *);
    if (real == NULL)
        real = dlsym(RTLD_NEXT, "clock_gettime");
    int status = real(clock, to);
    if (status == 0 && (clock == CLOCK_REALTIME || clock == CLOCK_REALTIME_COARSE))
        to->tv_sec += by();
    return status;
}

int gettimeofday(struct timeval *restrict to, void *restrict zone)
{
    static int (*real)(struct timeval *, void *);
    if (real == NULL)
        real = dlsym(RTLD_NEXT, "gettimeofday");
    int status = real(to, zone);
    if (status == 0)
        to->tv_sec += by();
    return status;
}

time_t time(time_t *to)
{
    struct timespec now;
    clock_gettime(CLOCK_REALTIME, &now);
    if (to != NULL)
        *to = now.tv_sec;
    return now.tv_sec;
}
