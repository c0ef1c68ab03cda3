<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\Arrival;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Procedure\Ask;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\EventListener\AbstractSessionListener;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Pictures of a fit: taken at a step, shown to whoever is signed in, drawn on, laid side by side. */
final class PhotosController extends AbstractController
{
    private const FIT = ['id' => '[0-9A-Z]{26}'];
    private const PHOTO = self::FIT + ['photo' => '[0-7][0-9A-HJKMNP-TV-Z]{25}'];
    private const GIVEN = ['step', 'shot', 'field', 'text'];

    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly PhotoFiles $files,
        private readonly PhotoBook $photos, private readonly Arrival $arrival,
    ) {
    }

    /**
     * The picture itself as the body; which event it is, and of what, in the address: event=ULID, step, at and sent as ISO 8601, and
     * shot=before|after|proof, field, text, device where there is one. Sending it twice changes nothing.
     */
    #[Route('/fits/{id}/photos', name: 'take_photo', requirements: self::FIT, methods: ['POST'])]
    public function take(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        try {
            $picture = Picture::of($request->getContent());
            $isProof = 'proof' === $request->query->getString('shot') || '' !== $request->query->getString('field');
            !$isProof || !$picture->showsNothing() || throw new InvalidPicture(
                'It is all of one colour: nothing is seen in it. Light on, lens clean, and once more.',
            );
            $payload = ['hash' => $this->files->keep($picture->jpeg), 'width' => $picture->width, 'height' => $picture->height];
            foreach (self::GIVEN as $name) {
                $payload[$name] = $request->query->getString($name);
            }
            $record = $this->fits->get($id);
            $event = $this->event($record, $request, $payload, $person->name);
            $this->recorder->record($record, [$event], $person->hand());
        } catch (InvalidPicture $e) {
            return self::refusal('picture', $e->getMessage());
        } catch (InvalidEvent $e) {
            return self::refusal($e->field, $e->getMessage(), $e->isOther ? Response::HTTP_CONFLICT : Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        return new JsonResponse(['kept' => [$event->id], 'width' => $picture->width, 'height' => $picture->height]);
    }

    #[Route('/fits/{id}/photos/{photo}.jpg', name: 'photo_file', requirements: self::PHOTO, methods: ['GET'])]
    public function sent(string $id, string $photo, Request $request): Response
    {
        $hash = $this->photos->hash($id, $photo);
        $isSmall = $request->query->has('small');
        $path = $isSmall ? $this->files->small($hash) : ($this->files->has($hash) ? $this->files->path($hash) : null);
        null !== $path || throw $this->createNotFoundException('There is no such picture here.');
        $answer = new BinaryFileResponse($path, headers: ['Content-Type' => 'image/jpeg'], autoEtag: false, autoLastModified: false);
        // Asked for again each time, so that nobody sees it who is not signed in; sent again only when it changed, which it never does.
        $answer->setEtag($hash.($isSmall ? '-s' : ''));
        $answer->headers->set('Cache-Control', 'private, no-cache');
        $answer->headers->set(AbstractSessionListener::NO_AUTO_CACHE_CONTROL_HEADER, 'true');
        $answer->isNotModified($request);

        return $answer;
    }

    #[Route('/practice/pictures/{name}.jpg', name: 'sample_picture', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET'])]
    public function sample(string $name, SamplePictures $samples): Response
    {
        $file = $samples->file($name) ?? throw $this->createNotFoundException('There is no such picture.');

        return new BinaryFileResponse($file, headers: ['Content-Type' => 'image/jpeg']);
    }

    /** One picture, large, to look at and to draw on. */
    #[Route('/fits/{id}/photos/{photo}', name: 'photo', requirements: self::PHOTO, methods: ['GET'])]
    public function one(string $id, string $photo): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $taken = $fit->state->photos[$photo] ?? throw $this->createNotFoundException('There is no such picture here.');

        return $this->render('photos/one.html.twig', [
            'record' => $record, 'fit' => $fit, 'photo' => PhotoView::of($fit, $id, $taken),
            'isHere' => $this->files->has($taken->string('hash')),
            'isOpen' => null === $fit->state->signed && null === $fit->state->stopped,
        ]);
    }

    /** One picture, to measure in; the reading goes into the step it was taken at. */
    #[Route('/fits/{id}/photos/{photo}/measure', name: 'measure_photo', requirements: self::PHOTO, methods: ['GET'])]
    public function measure(string $id, string $photo, Request $request): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $taken = $fit->state->photos[$photo] ?? throw $this->createNotFoundException('There is no such picture here.');
        $step = $fit->sheet->step($taken->step());

        return $this->render('photos/measure.html.twig', [
            'record' => $record, 'fit' => $fit, 'photo' => PhotoView::of($fit, $id, $taken),
            'asks' => null === $step ? [] : array_values(array_filter(
                $fit->readings()->asks($step), static fn (Ask $ask): bool => $ask->isSeenInPicture(),
            )),
            // The engine rocked, a tensioner let go: the same point in another picture of the step.
            'others' => PhotoView::all($fit, $id, array_values(array_filter(
                $fit->state->photos,
                static fn (FitEvent $one): bool => $one->id !== $photo && $one->step() === $taken->step(),
            ))),
            'field' => $request->query->getString('field', $taken->string('field')),
            'isOpen' => null === $fit->state->signed && null === $fit->state->stopped,
        ]);
    }

    /** All pictures of a fit by their steps; two or more of them side by side. */
    #[Route('/fits/{id}/photos', name: 'photos', requirements: self::FIT, methods: ['GET'])]
    public function all(string $id, Request $request): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $wanted = $request->query->all('side');
        $side = array_intersect_key($fit->state->photos, array_fill_keys(array_filter($wanted, is_string(...)), true));
        $bySteps = [];
        foreach ($fit->sheet->steps as $step) {
            $of = array_values(array_filter($fit->state->photos, static fn (FitEvent $one): bool => $one->step() === $step->id));
            [] === $of || $bySteps[] = ['step' => $step, 'photos' => PhotoView::all($fit, $id, $of)];
        }

        return $this->render('photos/all.html.twig', [
            'record' => $record, 'fit' => $fit, 'bySteps' => $bySteps, 'count' => count($fit->state->photos),
            'side' => PhotoView::all($fit, $id, array_values(array_slice($side, 0, 6))),
        ]);
    }

    /**
     * @param array<string, string|int> $payload
     *
     * @throws InvalidEvent
     */
    private function event(FitRecord $record, Request $request, array $payload, string $by): FitEvent
    {
        $receipt = $this->arrival->of(
            $record, $request->query->getString('device'), $request->query->getString('at'),
            $request->query->has('sent') ? $request->query->getString('sent') : null,
        );

        return FitEvent::of(
            $request->query->getString('event'), EventType::PhotoTaken, $payload, $by, $receipt->happened(), $receipt,
        );
    }

    private static function refusal(
        string $field, string $message, int $status = Response::HTTP_UNPROCESSABLE_ENTITY,
    ): JsonResponse {
        return new JsonResponse(['error' => ['field' => $field, 'message' => $message]], $status);
    }
}
