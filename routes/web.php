<?php

use Illuminate\Support\Facades\Route;

// Every page is drawn by the same script, which reads the address itself.
Route::view('/{page?}', 'app')->where('page', '(?!api/).*');
