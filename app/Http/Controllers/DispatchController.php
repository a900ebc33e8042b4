<?php

namespace App\Http\Controllers;

use App\Configuration\DispatchSettings;
use App\Dispatch\Dispatches;
use App\Dispatch\Facts;
use App\Dispatch\HostAccounts;
use App\Dispatch\Templates;
use App\Dispatch\Thumbnails;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Media\Pictures;
use App\Models\DetailTemplate;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Models\Run;
use App\Resources\DispatchResource;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use InvalidArgumentException;
use OuterCrate\Dispatch\ReleaseTime;
use OuterCrate\Encoding\Passes\Framing;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Sending, holding, releasing. */
class DispatchController
{
    private const SHOWN = 100;

    public function __construct(
        private readonly Dispatches $dispatches,
        private readonly HostAccounts $accounts,
        private readonly Facts $facts,
        private readonly Templates $templates,
    ) {
    }

    #[Operation('dispatch-list')]
    public function index(): JsonResponse
    {
        return response()->json([
            'dispatches' => DispatchResource::all(Dispatch::listed()->limit(self::SHOWN)->get()),
            'accounts' => $this->accounts->all()->map(fn (HostAccount $one): array => DispatchResource::account($one)),
            'hosts' => array_keys(app(DispatchSettings::class)->hosts),
            'templates' => $this->templates->all()->map(
                fn (DetailTemplate $one): array => ['id' => $one->id, 'host' => $one->host, 'name' => $one->name],
            ),
            'questions' => DispatchResource::questions(),
            'zone' => app(DispatchSettings::class)->zone,
        ]);
    }

    #[Operation('dispatch-answer', request: 'dispatch-request', status: 202)]
    public function store(Request $request): JsonResponse
    {
        $asked = Payload::of($request, 'dispatch-request');
        $at = isset($asked['at'])
            ? self::tried(fn () => ReleaseTime::of($asked['at'], $asked['zone'] ?? app(DispatchSettings::class)->zone))
            : null;
        $notBefore = $at === null ? null : Carbon::instance($at->moment);
        [$run, $visibility] = [$this->run($asked['run']), $asked['visibility'] ?? 'private'];
        $dispatch = isset($asked['inPlaceOf'])
            ? $this->dispatches->inPlaceOf($this->older($asked['inPlaceOf']), $run, $visibility, $notBefore)
            : $this->dispatches->ofRun($run, $this->account($asked['account']), $asked['details'] ?? [], $visibility, $notBefore);

        return response()->json(['dispatch' => DispatchResource::of($dispatch)], 202);
    }

    /** What is noticed before a file is sent. */
    #[Operation('dispatch-check-answer', request: 'dispatch-request')]
    public function check(Request $request): JsonResponse
    {
        $asked = Payload::of($request, 'dispatch-request');
        [$run, $account] = [$this->run($asked['run']), $this->account($asked['account'])];
        $older = $this->dispatches->earlier($run, $account);

        return response()->json([
            'file' => mb_scrub(basename($run->file)),
            'inPlaceOf' => $older === null ? null : ['id' => $older->id, 'title' => $older->said()->title ?: $older->cut_name],
            'remarks' => DispatchResource::remarks($this->facts->remarks($run->file, $run, $account)),
        ]);
    }

    #[Operation('dispatch-answer', request: 'details-request')]
    public function describe(Request $request, Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->describe($dispatch, Payload::of($request, 'details-request')['details']);

        return self::told($dispatch);
    }

    /** Keeps what is said of it as its series’ own. */
    #[Operation('dispatch-answer', request: 'template-request')]
    public function keepTemplate(Request $request, Dispatch $dispatch): JsonResponse
    {
        $name = Payload::of($request, 'template-request')['name'];
        self::tried(fn () => $this->templates->keep($dispatch, $name));

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function fill(Dispatch $dispatch, DetailTemplate $template): JsonResponse
    {
        $this->templates->fill($dispatch, $template);

        return self::told($dispatch);
    }

    #[Operation('captions-answer', request: 'captions-request')]
    public function captions(Request $request, Dispatch $dispatch): JsonResponse
    {
        $asked = Payload::of($request, 'captions-request');
        $remarks = self::tried(fn () => $this->dispatches->captions($dispatch, $asked['language'], $asked['text']));

        return response()->json([
            'dispatch' => DispatchResource::of($dispatch->refresh()),
            'remarks' => DispatchResource::remarks($remarks),
        ]);
    }

    #[Operation('dispatch-answer')]
    public function withoutCaptions(Dispatch $dispatch, string $language): JsonResponse
    {
        $this->dispatches->withoutCaptions($dispatch, $language);

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer', request: 'thumbnail-request')]
    public function thumbnail(Request $request, Dispatch $dispatch): JsonResponse
    {
        $asked = Payload::of($request, 'thumbnail-request');
        $part = new Framing($asked['across'] ?? 0.5, $asked['down'] ?? 0.5, $asked['closer'] ?? 1.0);
        $this->dispatches->thumbnail($dispatch, $asked['frame'] ?? null, $part, $asked['lift'] ?? 0.0);

        return self::told($dispatch);
    }

    /** Brings along a picture of one’s own, of which a part becomes the thumbnail. */
    #[Operation('dispatch-answer', body: 'application/octet-stream')]
    public function bringPicture(Request $request, Dispatch $dispatch): JsonResponse
    {
        Pictures::keep($request->getContent(), Thumbnails::picture($dispatch));
        $this->dispatches->thumbnail($dispatch, null, new Framing, 0.0);

        return self::told($dispatch);
    }

    #[Operation(media: 'image/jpeg')]
    public function picture(Dispatch $dispatch): BinaryFileResponse
    {
        $path = Thumbnails::picture($dispatch);

        return is_file($path)
            ? response()->file($path, ['Content-Type' => (string) mime_content_type($path), 'Cache-Control' => 'no-store'])
            : throw RequestRefused::notThere('No picture was brought along for it.', 'Choose one.');
    }

    #[Operation(media: 'image/jpeg')]
    public function thumbnailPicture(Dispatch $dispatch): BinaryFileResponse
    {
        return $dispatch->thumbnail !== null && is_file($dispatch->thumbnail)
            ? response()->file($dispatch->thumbnail, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'no-store'])
            : throw RequestRefused::notThere('It has no thumbnail yet.', 'Choose a frame.');
    }

    #[Operation('dispatch-answer', request: 'release-request')]
    public function release(Request $request, Dispatch $dispatch): JsonResponse
    {
        $asked = Payload::of($request, 'release-request');
        self::tried(fn () => $this->dispatches->release($dispatch, $asked['when'], $asked['at'] ?? null, $asked['zone'] ?? null));

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function stop(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->stop($dispatch);

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function pause(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->pause($dispatch, true);

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function goOn(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->goOn($dispatch);

        return self::told($dispatch);
    }

    /** Before another that waits to be sent, or behind all of them. */
    #[Operation('dispatch-answer', request: 'run-move-request')]
    public function move(Request $request, Dispatch $dispatch): JsonResponse
    {
        $before = Payload::of($request, 'run-move-request')['before'];
        $this->dispatches->move($dispatch, $before) || throw RequestRefused::notPossible(
            'This no longer waits to be sent.', 'Only what waits has an order.',
        );

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function look(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->look($dispatch);

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function bringBack(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->bringBack($dispatch);

        return self::told($dispatch);
    }

    #[Operation('dispatch-answer')]
    public function remove(Dispatch $dispatch): JsonResponse
    {
        $this->dispatches->remove($dispatch);

        return self::told($dispatch);
    }

    #[Operation('host-account-answer', request: 'host-sign-in-request')]
    public function signIn(Request $request): JsonResponse
    {
        $asked = Payload::of($request, 'host-sign-in-request');

        $account = $this->accounts->signIn($asked['host'], $asked['name'], $asked['password']);

        return response()->json(['account' => DispatchResource::account($account)]);
    }

    #[Operation('host-account-answer')]
    public function signOut(HostAccount $account): JsonResponse
    {
        $this->accounts->signOut($account);

        return response()->json(['account' => DispatchResource::account($account)]);
    }

    #[Operation('host-account-answer')]
    public function forget(HostAccount $account): JsonResponse
    {
        $this->accounts->forget($account);

        return response()->json(['account' => DispatchResource::account($account)]);
    }

    #[Operation('host-account-answer')]
    public function acceptTerms(HostAccount $account): JsonResponse
    {
        $this->accounts->acceptTerms($account);

        return response()->json(['account' => DispatchResource::account($account)]);
    }

    private static function told(Dispatch $dispatch): JsonResponse
    {
        return response()->json(['dispatch' => DispatchResource::of($dispatch->refresh())]);
    }

    private function run(int $id): Run
    {
        return Run::query()->find($id)
            ?? throw RequestRefused::notThere('There is no such file.', 'Look at the slips for what was made.');
    }

    private function older(int $id): Dispatch
    {
        return Dispatch::query()->find($id)
            ?? throw RequestRefused::notThere('There is no such file at its host.', 'Send this one by itself.');
    }

    private function account(int $id): HostAccount
    {
        return HostAccount::query()->find($id)
            ?? throw RequestRefused::notThere('There is no such account.', 'Sign in to the host first.');
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    private static function tried(Closure $do): mixed
    {
        try {
            return $do();
        } catch (InvalidArgumentException $e) {
            throw RequestRefused::notPossible($e->getMessage(), '');
        }
    }
}
