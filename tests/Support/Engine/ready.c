/*
 * Keeps a program ready to run: loaded into it before its start (LD_PRELOAD), this waits at READY_SOCKET once all libraries are linked,
 * and every request becomes a copy of the process that goes on to the program's own start with the request's arguments, environment,
 * folder, streams, limits and niceness. Linking 215 libraries costs the engine 0.1 s at each start, of which the suite has four thousand.
 *
 * A copy ends when its client does, and stands still while that does; all end with the process that started this one.
 */
#include "wire.h"
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/prctl.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <sys/wait.h>
#include <unistd.h>

#define MOST_CLIENTS 64
#define LOOK 50 /* milliseconds between looks at whether clients stand still, which nobody is told of */

typedef int (*main_of)(int, char **, char **);
typedef int (*start_of)(main_of, int, char **, void (*)(void), void (*)(void), void (*)(void), void *);

struct client {
    int socket;
    pid_t asker;
    pid_t copy; /* 0 until it has asked */
    int stands; /* whether the copy was suspended */
};

static struct client clients[MOST_CLIENTS];
static int count;
static int woken[2];
static char message[MOST_BYTES];

static void wake(int signal) {
    int before = errno;
    (void)signal;
    if (write(woken[1], "", 1) < 0) {
        /* full: it wakes all the same */
    }
    errno = before;
}

static int listening(const char *path) {
    struct sockaddr_un address = {.sun_family = AF_UNIX};
    if (strlen(path) >= sizeof address.sun_path) {
        _exit(2);
    }
    strcpy(address.sun_path, path);
    unlink(path);
    int listener = socket(AF_UNIX, SOCK_SEQPACKET | SOCK_CLOEXEC, 0);
    if (listener < 0 || bind(listener, (struct sockaddr *)&address, sizeof address) < 0 || listen(listener, MOST_CLIENTS) < 0) {
        _exit(2);
    }

    return listener;
}

/* The request that waits at a socket; false when there is none that can be used. */
static int received(int socket, struct request *request, ssize_t *bytes, int streams[STREAMS]) {
    char control[CMSG_SPACE(sizeof(int) * STREAMS)];
    struct iovec parts[2] = {{request, sizeof *request}, {message, sizeof message}};
    struct msghdr header = {.msg_iov = parts, .msg_iovlen = 2, .msg_control = control, .msg_controllen = sizeof control};
    *bytes = recvmsg(socket, &header, 0);
    struct cmsghdr *extra = *bytes > 0 ? CMSG_FIRSTHDR(&header) : NULL;
    if (extra == NULL || extra->cmsg_type != SCM_RIGHTS || extra->cmsg_len != CMSG_LEN(sizeof(int) * STREAMS)) {
        return 0;
    }
    memcpy(streams, CMSG_DATA(extra), sizeof(int) * STREAMS);
    *bytes -= (ssize_t)sizeof *request;

    return 1;
}

/* Makes this copy what the request asks for; gives its arguments, with the environment behind them as at a start. */
static char **become(const struct request *request, ssize_t bytes, int streams[STREAMS]) {
    for (int i = 0; i < STREAMS; i++) {
        dup2(streams[i], i);
        close(streams[i]);
    }
    char *at = message, *end = message + bytes;
    if (chdir(at) < 0) {
        _exit(127);
    }
    at += strlen(at) + 1;
    char **all = calloc((size_t)(request->arguments + request->variables + 2), sizeof *all);
    for (int i = 0; i < request->arguments + request->variables + 1 && at < end; i++) {
        if (i == request->arguments) {
            continue;
        }
        all[i] = strdup(at);
        at += strlen(at) + 1;
    }
    for (int i = 0; i < RLIM_NLIMITS; i++) {
        setrlimit(i, &request->limits[i]);
    }
    setpriority(PRIO_PROCESS, 0, request->niceness);
    umask(request->mask);
    environ = all + request->arguments + 1;

    return all;
}

static void forget(int i) {
    close(clients[i].socket);
    clients[i] = clients[--count];
}

static void tell_the_ended(void) {
    char drained[64];
    while (read(woken[0], drained, sizeof drained) > 0) {
    }
    int status;
    pid_t ended;
    while ((ended = waitpid(-1, &status, WNOHANG)) > 0) {
        for (int i = 0; i < count; i++) {
            if (clients[i].copy == ended) {
                send(clients[i].socket, &status, sizeof status, MSG_NOSIGNAL | MSG_DONTWAIT);
                forget(i);
                break;
            }
        }
    }
}

/* Suspends the copies of clients that are suspended, and lets them go on with them. */
static void stand_still_with(struct client *client) {
    char path[32], state = 0;
    snprintf(path, sizeof path, "/proc/%d/stat", client->asker);
    FILE *told = fopen(path, "re");
    if (told == NULL) {
        return;
    }
    int stands = fscanf(told, "%*d (%*[^)]) %c", &state) == 1 && state == 'T';
    fclose(told);
    if (stands != client->stands) {
        kill(client->copy, stands ? SIGSTOP : SIGCONT);
        client->stands = stands;
    }
}

/* Waits for requests; comes back only in a copy, with its arguments and how many there are. */
static char **wait_for_work(int listener, int *arguments) {
    for (;;) {
        struct pollfd watched[MOST_CLIENTS + 2] = {{listener, count < MOST_CLIENTS ? POLLIN : 0, 0}, {woken[0], POLLIN, 0}};
        int asked = count, working = 0;
        for (int i = 0; i < asked; i++) {
            watched[i + 2] = (struct pollfd){clients[i].socket, POLLIN, 0};
            if (clients[i].copy > 0) {
                stand_still_with(&clients[i]);
                working++;
            }
        }
        if (poll(watched, (nfds_t)asked + 2, working > 0 ? LOOK : -1) <= 0) {
            continue;
        }
        for (int i = asked - 1; i >= 0; i--) {
            if (watched[i + 2].revents == 0) {
                continue;
            }
            struct request request;
            ssize_t bytes;
            int streams[STREAMS];
            if (clients[i].copy == 0 && received(clients[i].socket, &request, &bytes, streams)) {
                pid_t keeper = getpid(), copy = fork();
                if (copy == 0) {
                    prctl(PR_SET_PDEATHSIG, SIGKILL);
                    if (getppid() != keeper) {
                        _exit(127);
                    }
                    signal(SIGCHLD, SIG_DFL);
                    close(listener);
                    close(woken[0]);
                    close(woken[1]);
                    for (int j = 0; j < count; j++) {
                        close(clients[j].socket);
                    }
                    *arguments = request.arguments;

                    return become(&request, bytes, streams);
                }
                clients[i].copy = copy;
                for (int j = 0; j < STREAMS; j++) {
                    close(streams[j]);
                }
            } else { /* it has gone, and its copy goes with it */
                if (clients[i].copy > 0) {
                    kill(clients[i].copy, SIGKILL);
                }
                forget(i);
            }
        }
        if (watched[0].revents != 0) {
            int socket = accept4(listener, NULL, NULL, SOCK_CLOEXEC);
            struct ucred asker;
            socklen_t size = sizeof asker;
            if (socket >= 0 && getsockopt(socket, SOL_SOCKET, SO_PEERCRED, &asker, &size) == 0) {
                clients[count++] = (struct client){.socket = socket, .asker = asker.pid};
            }
        }
        if (watched[1].revents != 0) {
            tell_the_ended();
        }
    }
}

int __libc_start_main(main_of program, int argc, char **argv, void (*init)(void), void (*fini)(void), void (*linker_fini)(void), void *top) {
    start_of start = (start_of)dlsym(RTLD_NEXT, "__libc_start_main");
    const char *path = getenv("READY_SOCKET");
    if (path == NULL) {
        return start(program, argc, argv, init, fini, linker_fini, top);
    }
    prctl(PR_SET_PDEATHSIG, SIGKILL);
    if (pipe2(woken, O_CLOEXEC | O_NONBLOCK) < 0) {
        _exit(2);
    }
    signal(SIGCHLD, wake);
    signal(SIGPIPE, SIG_DFL);
    argv = wait_for_work(listening(path), &argc);

    return start(program, argc, argv, init, fini, linker_fini, top);
}
