<?php

use Illuminate\Support\Facades\Route;
use StandIn\Http\AccountController;
use StandIn\Http\CaptionController;
use StandIn\Http\FaultController;
use StandIn\Http\Faulty;
use StandIn\Http\FileController;
use StandIn\Http\PageController;
use StandIn\Http\Signed;
use StandIn\Http\ThumbnailController;
use StandIn\Http\VideoController;
use StandIn\Http\VisibilityController;

Route::get('/', [PageController::class, 'index']);
Route::get('pages/{video}', [PageController::class, 'show']);
Route::get('pages/{video}/{lines}.mp4', [PageController::class, 'rendition'])->whereNumber('lines');
Route::get('pages/{video}/captions/{language}.vtt', [PageController::class, 'caption']);
Route::get('pages/{video}/pictures/{picture}', [PageController::class, 'picture']);
Route::post('faults', [PageController::class, 'fault']);

Route::prefix('api')->group(function (): void {
    Route::get('faults', [FaultController::class, 'index']);
    Route::put('faults/{name}', [FaultController::class, 'update']);
    Route::delete('faults/{name}', [FaultController::class, 'destroy']);

    Route::middleware(Faulty::class)->group(function (): void {
        Route::post('tokens', [AccountController::class, 'signIn']);
        Route::options('files/{id?}', [FileController::class, 'options']);
        Route::middleware(Signed::class)->group(function (): void {
            Route::get('account', [AccountController::class, 'show']);
            Route::put('account/terms', [AccountController::class, 'accept']);

            Route::post('files', [FileController::class, 'store']);
            Route::get('files/{id}', [FileController::class, 'show']); // and HEAD
            Route::patch('files/{id}', [FileController::class, 'update']);
            Route::delete('files/{id}', [FileController::class, 'destroy']);

            Route::get('videos', [VideoController::class, 'index']);
            Route::post('videos', [VideoController::class, 'store']);
            Route::get('videos/{video}', [VideoController::class, 'show']);
            Route::patch('videos/{video}', [VideoController::class, 'update']);
            Route::delete('videos/{video}', [VideoController::class, 'destroy']);
            Route::put('videos/{video}/visibility', VisibilityController::class);
            Route::put('videos/{video}/thumbnail', ThumbnailController::class);
            Route::put('videos/{video}/captions/{language}', [CaptionController::class, 'update']);
            Route::delete('videos/{video}/captions/{language}', [CaptionController::class, 'destroy']);
            Route::get('videos/{video}/renditions/{lines}', [VideoController::class, 'rendition'])->whereNumber('lines');
        });
    });
});
