/* What a client and a ready engine say to each other: one message there, one answer back, over a socket of messages. */
#pragma once
#define _GNU_SOURCE
#include <sys/resource.h>
#include <sys/types.h>

#define MOST_BYTES 200000 /* a message has to fit the buffer of a socket (net.core.wmem_default, 212,992) */
#define STREAMS 3         /* standard input, output and error go along as descriptors */

struct request { /* followed by the folder, the arguments and the environment, each ended by a zero byte */
    int arguments;
    int variables;
    int niceness;
    mode_t mask;
    struct rlimit limits[RLIM_NLIMITS];
};
