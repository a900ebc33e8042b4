/*
 * Stands in for a program that is kept ready (see ready.c): hands over its own arguments, environment, folder, streams, limits and
 * niceness, and ends as the copy ends. When none is ready, it becomes the program itself.
 *
 * It is called by the program's name; the program itself lies in READY_PROGRAMS, and its socket in READY_SOCKETS, both said at building.
 */
#include "wire.h"
#include <signal.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <sys/wait.h>
#include <unistd.h>

static char message[MOST_BYTES];
static size_t length;

static int add(const char *text) {
    size_t bytes = strlen(text) + 1;
    if (length + bytes > sizeof message - sizeof(struct request)) {
        return 0;
    }
    memcpy(message + length, text, bytes);
    length += bytes;

    return 1;
}

static int ready(const char *path) {
    struct sockaddr_un address = {.sun_family = AF_UNIX};
    int asked = socket(AF_UNIX, SOCK_SEQPACKET | SOCK_CLOEXEC, 0);
    if (asked < 0 || strlen(path) >= sizeof address.sun_path) {
        return -1;
    }
    strcpy(address.sun_path, path);

    return connect(asked, (struct sockaddr *)&address, sizeof address) < 0 ? -1 : asked;
}

static int ask(int socket, char **argv) {
    struct request request = {.niceness = getpriority(PRIO_PROCESS, 0), .mask = umask(0)};
    umask(request.mask);
    char *folder = getcwd(NULL, 0);
    if (folder == NULL || !add(folder)) {
        return 0;
    }
    for (int i = 0; argv[i] != NULL; i++, request.arguments++) {
        if (!add(argv[i])) {
            return 0;
        }
    }
    for (int i = 0; environ[i] != NULL; i++, request.variables++) {
        if (!add(environ[i])) {
            return 0;
        }
    }
    for (int i = 0; i < RLIM_NLIMITS; i++) {
        getrlimit(i, &request.limits[i]);
    }
    int streams[STREAMS] = {0, 1, 2};
    char control[CMSG_SPACE(sizeof streams)] = {0};
    struct iovec parts[2] = {{&request, sizeof request}, {message, length}};
    struct msghdr header = {.msg_iov = parts, .msg_iovlen = 2, .msg_control = control, .msg_controllen = sizeof control};
    struct cmsghdr *extra = CMSG_FIRSTHDR(&header);
    extra->cmsg_level = SOL_SOCKET;
    extra->cmsg_type = SCM_RIGHTS;
    extra->cmsg_len = CMSG_LEN(sizeof streams);
    memcpy(CMSG_DATA(extra), streams, sizeof streams);

    return sendmsg(socket, &header, MSG_NOSIGNAL) > 0;
}

int main(int argc, char **argv) {
    (void)argc;
    char path[4096], program[4096];
    const char *slash = strrchr(argv[0], '/');
    const char *name = slash == NULL ? argv[0] : slash + 1;
    snprintf(program, sizeof program, READY_PROGRAMS "/%s", name);
    snprintf(path, sizeof path, READY_SOCKETS "/%s.ready", name);
    int socket = ready(path), status;
    if (socket < 0 || !ask(socket, argv)) {
        execv(program, argv);
        perror(program);

        return 127;
    }
    /* A signal ends this, and with it the copy. */
    if (recv(socket, &status, sizeof status, 0) != sizeof status) {
        fprintf(stderr, "%s: the engine that was kept ready has gone\n", program);

        return 126;
    }
    if (WIFSIGNALED(status)) {
        signal(WTERMSIG(status), SIG_DFL);
        kill(getpid(), WTERMSIG(status));
    }

    return WEXITSTATUS(status);
}
