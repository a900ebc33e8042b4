<?php

return [
    App\Providers\CrateServiceProvider::class,
];
