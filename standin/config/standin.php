<?php

return [
    /* Minutes that a token of a sign-in is good for. */
    'token_minutes' => 60,

    /* Bytes that an account may hold. */
    'quota' => 200_000_000_000,

    /* Categories that a video can be put in. */
    'categories' => ['craft', 'film', 'music', 'teaching', 'travel', 'other'],

    /* Licences that a video can be given. */
    'licences' => ['own', 'share-alike'],

    /* What has to be accepted before a video is shown to anybody; a new version has to be accepted again. */
    'terms' => 'lantern-2026-3',

    /* What texts and pictures may be at most: characters, of all tags together, bytes, and pixels of a thumbnail at least. */
    'most' => ['title' => 100, 'description' => 5000, 'tags' => 500, 'thumbnail' => 2_000_000],
    'thumbnail' => ['width' => 640, 'height' => 360],
];
