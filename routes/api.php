<?php

use App\Http\Controllers\ActivityController;
use App\Http\Controllers\AnalysisController;
use App\Http\Controllers\ChoicesController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\CutController;
use App\Http\Controllers\DeliveryController;
use App\Http\Controllers\DispatchController;
use App\Http\Controllers\HelpController;
use App\Http\Controllers\HostController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\MachineController;
use App\Http\Controllers\MediaController;
use App\Http\Controllers\OpenApiController;
use App\Http\Controllers\PackController;
use App\Http\Controllers\PiecesController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PresetController;
use App\Http\Controllers\QueueController;
use App\Http\Controllers\RetentionController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SettingsController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\StoreController;
use App\Http\Controllers\StripController;
use App\Http\Controllers\TeachingController;
use App\Http\Controllers\TransitController;
use App\Http\Controllers\UploadController;
use App\Http\Controllers\ViewerController;
use App\Http\Controllers\WatchFolderController;
use App\Http\Controllers\WorkerController;
use App\Http\Middleware\Sessions;
use App\Http\Middleware\SignedIn;
use App\Http\Middleware\TusAnswers;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

// 18 digits always fit into 64 bits.
foreach (['cut', 'run', 'test', 'teaching', 'dispatch', 'account', 'folder', 'template', 'frame'] as $number) {
    Route::pattern($number, '[0-9]{1,18}');
}
// Versions are 32-bit integers.
foreach (['version', 'from', 'to'] as $version) {
    Route::pattern($version, '[0-9]{1,9}');
}
// PostgreSQL rejects a query for anything but a UUID.
Route::pattern('pack', '[0-9A-Fa-f]{8}(-[0-9A-Fa-f]{4}){3}-[0-9A-Fa-f]{12}');

Route::withoutMiddleware(SignedIn::class)->group(function (): void {
    Route::post('sign-in', [SignInController::class, 'store']);
    Route::post('sign-out', [SignInController::class, 'destroy'])->middleware(Sessions::BEGIN);
});

Route::get('openapi.json', OpenApiController::class);
Route::get('activity', ActivityController::class);
Route::get('machine', [MachineController::class, 'show']);
Route::put('machine', [MachineController::class, 'update']);
Route::get('settings', [SettingsController::class, 'show']);
Route::put('settings', [SettingsController::class, 'update']);
Route::get('workers', WorkerController::class);
Route::get('media', [MediaController::class, 'index']);

Route::get('cuts', [CutController::class, 'index']);
Route::post('cuts', [CutController::class, 'store']);
Route::delete('cuts/{cut}', [CutController::class, 'destroy']);
Route::post('cuts/{cut}/take-back', [CutController::class, 'takeBack']);
Route::get('cuts/{cut}/poster', [CutController::class, 'poster']);
Route::get('cuts/{cut}/reading', [CutController::class, 'reading']);
Route::get('cuts/{cut}/places', [CutController::class, 'places']);
Route::post('cuts/{cut}/locate', [CutController::class, 'locate']);
Route::post('cuts/{cut}/read-again', [CutController::class, 'readAgain']);

Route::get('cuts/{cut}/analysis', [AnalysisController::class, 'show']);
Route::post('cuts/{cut}/analysis', [AnalysisController::class, 'store']);
Route::get('cuts/{cut}/curves', [AnalysisController::class, 'curves']);
Route::get('cuts/{cut}/proxy', [ViewerController::class, 'proxy']);
Route::get('cuts/{cut}/strip', [ViewerController::class, 'strip']);
Route::get('cuts/{cut}/frames/{frame}', [ViewerController::class, 'frame']);

Route::get('cuts/{cut}/sheet', [SheetController::class, 'show']);
Route::put('cuts/{cut}/sheet', [SheetController::class, 'update']);
Route::post('cuts/{cut}/sheet/wanted', [SheetController::class, 'want']);
Route::get('cuts/{cut}/help/{cell}', HelpController::class);
Route::post('plan', PlanController::class);

Route::middleware(TusAnswers::class)->group(function (): void {
    Route::options('uploads/{id?}', [UploadController::class, 'options']);
    Route::get('uploads', [UploadController::class, 'index']);
    Route::post('uploads', [UploadController::class, 'store']);
    Route::get('uploads/{id}', [UploadController::class, 'show']); // and HEAD
    Route::patch('uploads/{id}', [UploadController::class, 'update']);
    Route::delete('uploads/{id}', [UploadController::class, 'destroy']);
});

Route::post('cuts/{cut}/pack', [PackController::class, 'store']);
Route::post('packs', [PackController::class, 'several']);
Route::post('retention/preview', [RetentionController::class, 'preview']);
Route::get('store', [StoreController::class, 'show']);
Route::get('store/derived', [StoreController::class, 'derived']);
Route::post('store/clear', [StoreController::class, 'clear']);
Route::post('store/take-back', [StoreController::class, 'takeBack']);
Route::post('store/empty', [StoreController::class, 'empty']);
Route::post('store/derived/{what}', [StoreController::class, 'clearDerived'])->whereIn('what', ['pictures', 'steps']);
Route::get('watch-folders', [WatchFolderController::class, 'index']);
Route::post('watch-folders', [WatchFolderController::class, 'store']);
Route::delete('watch-folders/{folder}', [WatchFolderController::class, 'destroy']);
Route::get('cuts/{cut}/pieces', [PiecesController::class, 'show']);
Route::put('cuts/{cut}/pieces', [PiecesController::class, 'update']);
Route::get('packs/{pack}', [PackController::class, 'show']);
Route::get('packs/{pack}/text', [PackController::class, 'text']);
Route::post('packs/{pack}/hash-list', [PackController::class, 'hashList']);
Route::get('packs/{pack}/hash-list', [PackController::class, 'hashListState']);

Route::get('cuts/{cut}/tests', [TransitController::class, 'index']);
Route::get('cuts/{cut}/tests/latest', [TransitController::class, 'latest']);
Route::post('cuts/{cut}/tests', [TransitController::class, 'store']);
Route::get('tests/{test}', [TransitController::class, 'show']);
Route::post('tests/{test}/stop', [TransitController::class, 'stop']);
Route::get('tests/{test}/compare', [CompareController::class, 'test']);
Route::get('tests/{test}/pictures/{source}/{frame}', [CompareController::class, 'testPicture']);
Route::get('runs/{run}/compare', [CompareController::class, 'run']);
Route::get('runs/{run}/pictures/{source}/{frame}', [CompareController::class, 'runPicture']);
Route::get('tests/{test}/faults/{source}/{frame}', [CompareController::class, 'testFaults']);
Route::get('runs/{run}/faults/{source}/{frame}', [CompareController::class, 'runFaults']);
Route::get('files/compare', [CompareController::class, 'files']);
Route::get('files/pictures/{source}/{frame}', [CompareController::class, 'filesPicture']);
Route::get('files/faults/{source}/{frame}', [CompareController::class, 'filesFaults']);
Route::get('tests/{test}/csv', [TransitController::class, 'csv']);
Route::get('tests/{test}/json', [TransitController::class, 'json']);

Route::get('deliveries', [DeliveryController::class, 'index']);
Route::get('deliveries/choices', [DeliveryController::class, 'choices']);

Route::get('strip', StripController::class);
Route::get('queue', [QueueController::class, 'index']);
Route::get('queue/changes', [QueueController::class, 'changes']);
Route::get('cuts/{cut}/runs', [QueueController::class, 'ofCut']);
Route::post('runs/clear', [RunController::class, 'clear']);
Route::post('runs/{run}/stop', [RunController::class, 'stop']);
Route::post('runs/{run}/pause', [RunController::class, 'pause']);
Route::post('runs/{run}/continue', [RunController::class, 'goOn']);
Route::post('runs/{run}/retry', [RunController::class, 'retry']);
Route::post('runs/{run}/recall', [RunController::class, 'recall']);
Route::post('runs/{run}/again', [RunController::class, 'again']);
Route::get('runs/{run}/log', [RunController::class, 'log']);
Route::put('runs/{run}/place', [RunController::class, 'move']);
Route::put('runs/{run}/sent', [RunController::class, 'sent']);
Route::get('runs/{run}/file', [RunController::class, 'file']);

Route::get('dispatches', [DispatchController::class, 'index']);
Route::post('dispatches', [DispatchController::class, 'store']);
Route::post('dispatches/check', [DispatchController::class, 'check']);
Route::prefix('dispatches/{dispatch}')->controller(DispatchController::class)->group(function (): void {
    Route::put('details', 'describe');
    Route::post('templates', 'keepTemplate');
    Route::post('fill/{template}', 'fill');
    Route::put('captions', 'captions');
    Route::delete('captions/{language}', 'withoutCaptions');
    Route::put('thumbnail', 'thumbnail');
    Route::get('thumbnail', 'thumbnailPicture');
    Route::put('picture', 'bringPicture');
    Route::get('picture', 'picture');
    Route::put('release', 'release');
    Route::post('stop', 'stop');
    Route::post('pause', 'pause');
    Route::post('continue', 'goOn');
    Route::put('place', 'move');
    Route::post('look', 'look');
    Route::post('bring-back', 'bringBack');
    Route::delete('', 'remove');
});
Route::post('host-accounts', [DispatchController::class, 'signIn']);
Route::delete('host-accounts/{account}/token', [DispatchController::class, 'signOut']);
Route::delete('host-accounts/{account}', [DispatchController::class, 'forget']);
Route::put('host-accounts/{account}/terms', [DispatchController::class, 'acceptTerms']);

Route::get('choices', ChoicesController::class);
Route::get('presets', [PresetController::class, 'index']);
Route::get('hosts', [HostController::class, 'index']);

Route::get('hosts/{host}/teachings', [TeachingController::class, 'index']);
Route::post('hosts/{host}/teachings', [TeachingController::class, 'store']);
Route::get('teachings/{teaching}', [TeachingController::class, 'show']);
Route::post('teachings/{teaching}/stop', [TeachingController::class, 'stop']);
Route::post('teachings/{teaching}/save', [TeachingController::class, 'save']);

Route::get('cuts/{cut}/outputs/{output}/preset', [PresetController::class, 'preview']);
Route::post('library/preset', [PresetController::class, 'store']);
Route::put('library/preset/{preset}', [PresetController::class, 'update']);
Route::put('library/defaults', [PresetController::class, 'default']);
Route::post('library/host', [HostController::class, 'store']);
Route::post('library/host/table', [HostController::class, 'read']);
Route::put('library/host/{host}', [HostController::class, 'update']);
Route::get('library/export', [LibraryController::class, 'export']);
Route::post('library/import', [LibraryController::class, 'import']);

Route::prefix('library/{kind}/{slug}')->controller(LibraryController::class)->group(function (): void {
    Route::get('', 'show');
    Route::delete('', 'destroy');
    Route::post('restore', 'restore');
    Route::put('favourite', 'favourite');
    Route::post('versions/{version}', 'back');
    Route::get('compare/{from}/{to}', 'compare');
});

// Last, behind the sign-in: strangers get 401 for unknown addresses as well.
Route::any('{any}', fn () => throw new NotFoundHttpException)->where('any', '.*');
